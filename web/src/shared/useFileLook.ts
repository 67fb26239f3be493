import { useRef, useState } from "react";
import { type Problem, problemsOf } from "../api/client";
import { useActs } from "../desk/bench";

/** A file as the body of a request, its bytes as they are. */
export const fileBody = (file: File) => ({
  body: file as unknown as string,
  bodySerializer: (body: unknown) => body as Blob,
  headers: { "Content-Type": "application/octet-stream" },
});

/**
 * A file that is looked at before it is taken into the draft.
 *
 * @param lookAt asks what it would change
 * @param takeIn takes it
 */
export function useFileLook<Look>(lookAt: (file: File) => Promise<Look>, takeIn: (file: File) => Promise<unknown>) {
  const acts = useActs();
  const dialog = useRef<HTMLDialogElement>(null);
  const [file, setFile] = useState<File>();
  const [look, setLook] = useState<Look>();
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const told = (reason: unknown) => setProblems(problemsOf(reason));
  const open = (picked: File) => {
    setFile(picked);
    setLook(undefined);
    setProblems([]);
    dialog.current?.showModal();
    void lookAt(picked).then(setLook, told);
  };
  const take = async () => {
    if (!file) return;
    setBusy(true);
    await takeIn(file).then(() => {
      acts.refresh();
      dialog.current?.close();
    }, told);
    setBusy(false);
  };
  return { open, look, shown: { dialog, file: file?.name, problems, busy, take: () => void take() } };
}
