import { useRef } from "react";
import { TextButton } from "./TextButton";

interface Props {
  /** What the button says. */
  text: string;
  /** What is chosen, for whoever does not see the button. */
  label: string;
  accept: string;
  take: (file: File) => void;
}

/** Chooses a file; the same file can be chosen twice. */
export function FilePicker({ text, label, accept, take }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <TextButton onClick={() => input.current?.click()}>{text}</TextButton>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) take(file);
        }}
      />
    </>
  );
}
