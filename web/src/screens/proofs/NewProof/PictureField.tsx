import { useEffect, useId, useState } from "react";
import { Care } from "../../../ui/Care";
import type { PictureHeld } from "./useProofForm";

/** The picture of the proof, chosen from the device and shown where it can be. */
export function PictureField({ picture }: { picture: PictureHeld }) {
  const id = useId();
  const { picked, pick, fault } = picture;
  const url = usePreview(fault ? null : picked);
  return (
    <div>
      <label className="mb-1 block font-semibold" htmlFor={id}>
        Picture of the proof
      </label>
      <input
        id={id}
        type="file"
        accept="image/jpeg,image/png,image/tiff"
        aria-invalid={fault ? true : undefined}
        className="w-full rounded-cut border-[1.5px] border-ink bg-white px-3 py-2 aria-invalid:border-[2.5px] aria-invalid:border-ferric-deep"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) pick(file);
        }}
      />
      {fault ? (
        <Care role="alert" className="mt-1.5">
          {fault}
        </Care>
      ) : null}
      {url ? <img src={url} alt="The proof you chose" className="mt-2 w-full max-w-75" /> : null}
      {picture.scan && !picked ? (
        <p className="mt-1 font-semibold">The scan you read is its picture.</p>
      ) : null}
      <p className="note mt-1">JPEG, PNG or TIFF, up to 60 MB. The original is kept as it is.</p>
    </div>
  );
}

/** An address of a file on this device that a browser can draw, while it is shown. */
function usePreview(file: File | null): string {
  const [url, setUrl] = useState("");
  useEffect(() => {
    if (!file || file.type === "image/tiff") return setUrl("");
    const made = URL.createObjectURL(file);
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [file]);
  return url;
}
