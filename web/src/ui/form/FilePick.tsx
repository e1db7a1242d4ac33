import { type ReactNode, useRef } from "react";
import { Button, type Look } from "../Button";

type Props = {
  label: string;
  look?: Look;
  disabled?: boolean;
  onPick: (file: File) => void;
  children: ReactNode;
};

/** A button that takes a picture from the device. */
export function FilePick({ label, look, disabled, onPick, children }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button look={look} disabled={disabled} onClick={() => input.current?.click()}>
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/jpeg,image/png,image/tiff"
        aria-label={label}
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onPick(file);
          event.target.value = "";
        }}
      />
    </>
  );
}
