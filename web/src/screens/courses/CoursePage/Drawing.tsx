import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { tracingUrl } from "../../../api/courses";
import { changePlate, type Plate } from "../../../api/plates";
import { pictureUrl, sendPicture } from "../../../api/proofs";
import { useHere } from "../../../frame/useHere";
import { newId } from "../../../device/ids";
import { Segments } from "../../../ui/Field";
import { Trouble } from "../../../ui/Trouble";

/** What is meant: the picture as it prints and as it lies on the plate, and a tracing at 1:1. */
export function Drawing({ plate }: { plate: Plate }) {
  const { room } = useHere();
  const [way, setWay] = useState<"print" | "plate">("plate");
  const client = useQueryClient();
  const input = useRef<HTMLInputElement>(null);
  const send = useMutation({
    mutationFn: async (file: File) => {
      const id = newId();
      await sendPicture(room, id, file);
      return changePlate(room, plate.id, { version: plate.version, study: id });
    },
    onSuccess: () => client.invalidateQueries({ queryKey: [room] }),
  });
  return (
    <section className="section drawing">
      {plate.study ? (
        <img
          src={pictureUrl(room, plate.study)}
          alt={way === "print" ? "As it prints" : "Mirrored, as it lies on the plate"}
          style={{ transform: way === "plate" ? "scaleX(-1)" : undefined }}
        />
      ) : (
        <p className="note m-0">No picture yet. A photo of the drawing is enough to mirror it.</p>
      )}
      <div className="flex flex-wrap items-center gap-3">
        {plate.study ? (
          <>
            <Segments
              label="Which way round"
              value={way}
              options={[
                ["plate", "On the plate"],
                ["print", "As it prints"],
              ]}
              onChange={setWay}
            />
            <a
              className="btn"
              href={tracingUrl(room, plate.id, way === "plate")}
              target="_blank"
              rel="noreferrer"
            >
              Tracing at 1:1, {way === "plate" ? "mirrored" : "as it prints"}
            </a>
          </>
        ) : null}
        <button
          type="button"
          className={plate.study ? "btn quiet" : "btn"}
          disabled={send.isPending}
          onClick={() => input.current?.click()}
        >
          {plate.study ? "Another picture" : "Add a picture"}
        </button>
        <input
          ref={input}
          type="file"
          accept="image/jpeg,image/png,image/tiff"
          aria-label="Picture of what is meant"
          hidden
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) send.mutate(file);
          }}
        />
        <Trouble error={send.error} />
      </div>
      <p className="note m-0">
        Lettering in it? Look at “As it prints”: it must read the right way there.
      </p>
    </section>
  );
}
