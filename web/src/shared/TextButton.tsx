import type { ButtonHTMLAttributes } from "react";

/** A button that reads as a part of its sentence. */
export function TextButton({ className = "", ...button }: Omit<ButtonHTMLAttributes<HTMLButtonElement>, "type">) {
  return <button type="button" className={`cursor-pointer underline ${className}`.trim()} {...button} />;
}
