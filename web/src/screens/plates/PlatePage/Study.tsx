import { useState } from "react";
import { pictureUrl } from "../../../api/proofs";
import { useHere } from "../../../frame/useHere";
import { Segments } from "../../../ui/Segments";

const WAYS = [
  ["print", "As it prints"],
  ["plate", "On the plate"],
] as const;
const ALT = {
  print: "Value study, as it prints",
  plate: "Value study, mirrored as it lies on the plate",
};

/** The value study, as it prints or mirrored as it lies on the plate. */
export function Study({ study }: { study: string }) {
  const { room } = useHere();
  const [way, setWay] = useState<"print" | "plate">("print");
  return (
    <section>
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <h2 className="text-h3">Value study</h2>
        <Segments label="Which way round" value={way} options={WAYS} onChange={setWay} />
      </div>
      <img
        src={pictureUrl(room, study)}
        alt={ALT[way]}
        className={`w-full rounded-key border-[1.5px] border-ink ${way === "plate" ? "-scale-x-100" : ""}`}
      />
    </section>
  );
}
