import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type TracingPaper, tracingUrl } from "../../../api/courses";
import { changePlate, type Plate } from "../../../api/plates";
import { pictureUrl, sendPicture } from "../../../api/proofs";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { buttonLook } from "../../../ui/Button";
import { FilePick } from "../../../ui/form/FilePick";
import { Section } from "../../../ui/Section";
import { Segments } from "../../../ui/Segments";
import { Trouble } from "../../../ui/Trouble";

type Way = "print" | "plate";
const WAYS = [
  ["plate", "On the plate"],
  ["print", "As it prints"],
] as const;

const PAPERS = [
  ["A4", "A4"],
  ["letter", "Letter"],
  ["A3", "A3"],
] as const;

/** What is meant: the picture as it prints and as it lies on the plate, and a tracing at 1:1. */
export function Drawing({ plate }: { plate: Plate }) {
  const { room, me } = useHere();
  const [way, setWay] = useState<Way>("plate");
  const [paper, setPaper] = useState<TracingPaper>(me.length_unit === "in" ? "letter" : "A4");
  const send = useSend(plate);
  const onPlate = way === "plate";
  return (
    <Section className="grid gap-2.5">
      {plate.study ? (
        <img
          src={pictureUrl(room, plate.study)}
          alt={onPlate ? "Mirrored, as it lies on the plate" : "As it prints"}
          className={`max-w-[min(420px,100%)] rounded-key border-[1.5px] border-ink ${onPlate ? "-scale-x-100" : ""}`}
        />
      ) : (
        <p className="note">No picture yet. A photo of the drawing is enough to mirror it.</p>
      )}
      <div className="flex flex-wrap items-center gap-3">
        {plate.study ? (
          <>
            <Segments label="Which way round" value={way} options={WAYS} onChange={setWay} />
            <Segments label="Printed on" value={paper} options={PAPERS} onChange={setPaper} />
            <a
              className={buttonLook()}
              href={tracingUrl(room, plate.id, onPlate, paper)}
              target="_blank"
              rel="noreferrer"
            >
              Tracing at 1:1, {onPlate ? "mirrored" : "as it prints"}
            </a>
          </>
        ) : null}
        <FilePick
          label="Picture of what is meant"
          look={plate.study ? "quiet" : "plain"}
          disabled={send.isPending}
          onPick={(file) => send.mutate(file)}
        >
          {plate.study ? "Another picture" : "Add a picture"}
        </FilePick>
        <Trouble error={send.error} />
      </div>
      <p className="note">
        A plate larger than the paper is printed on several sheets: lay their crosses on each other.
        Lettering in it? Look at “As it prints”: it must read the right way there.
      </p>
    </Section>
  );
}

function useSend(plate: Plate) {
  const { room } = useHere();
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (file: File) => {
      const id = newId();
      await sendPicture(room, id, file);
      return changePlate(room, plate.id, { version: plate.version, study: id });
    },
    onSuccess: () => client.invalidateQueries({ queryKey: [room] }),
  });
}
