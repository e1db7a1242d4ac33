import { useState } from "react";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { planPath } from "../../../processes/paths";
import { ButtonLink } from "../../../ui/Button";
import { FilePick } from "../../../ui/form/FilePick";
import { Trouble } from "../../../ui/Trouble";
import { shownLength } from "../../../ui/units";
import { useUser } from "../../../ui/useUser";
import { useFirstPicture } from "./useUpload";

/** No study yet: where the picture goes, at the plate's proportions. */
export function NoStudy({ plate }: { plate: Plate }) {
  const { room } = useHere();
  const { units } = useUser();
  const [over, setOver] = useState(false);
  const send = useFirstPicture(plate);
  const size = `${shownLength(plate.width_mm, units)} × ${shownLength(plate.height_mm, units)} ${units.length_unit}`;
  return (
    <section
      aria-label="Drop a picture"
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const file = event.dataTransfer.files[0];
        if (file) send.mutate(file);
      }}
      style={{ aspectRatio: `${plate.width_mm} / ${plate.height_mm}` }}
      className={`mt-3 grid max-h-140 w-full max-w-180 content-center justify-items-center gap-3 rounded-plate border-[1.5px] border-dashed border-ink-3 p-6 text-center ${over ? "bg-paper-sunk" : ""}`}
    >
      <h2>Drop the drawing here, or photograph it</h2>
      <p className="max-w-110 text-ink-2">
        A sketch with greys, a scan or a photograph, as it shall print on {size}. Its greys say how
        many bites it is worth, and what to paint before each.
      </p>
      <div className="flex flex-wrap justify-center gap-3">
        <FilePick
          look="strong"
          label="Picture of what is meant"
          disabled={send.isPending}
          onPick={(file) => send.mutate(file)}
        >
          {send.isPending ? "Sending the picture" : "Choose or photograph it"}
        </FilePick>
        {plate.processes[0] ? (
          <ButtonLink look="quiet" to={planPath(room, plate.id, plate.processes[0].key)}>
            or set areas by hand
          </ButtonLink>
        ) : null}
      </div>
      <p className="note">PNG, JPEG or TIFF, up to 60 MB. It takes about a minute.</p>
      <Trouble error={send.error} />
    </section>
  );
}
