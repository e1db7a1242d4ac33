import { useQuery } from "@tanstack/react-query";
import { type Shelf as ShelfOf, shelfQuery } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { ButtonLink } from "../../../ui/Button";
import { Mark } from "../../../ui/Mark";
import { Empty, PageHead } from "../../../ui/Section";
import { Retired } from "./Retired";
import { Shelf } from "./Shelf";
import { ScaleRow, SpeedRow } from "./SpeedRow";
import { spanOf } from "./SpeedBand";
import { useShelfKeys } from "./useShelfKeys";

/** All baths: which can be used now, and which plate may go into which. */
export function Baths() {
  const { room } = useHere();
  const { data, error } = useQuery(shelfQuery(room));
  if (!data)
    return (
      <Asking error={error}>
        <PageHead title="Baths" />
      </Asking>
    );
  return data.baths.length === 0 ? <NoBath retired={data.retired} /> : <All shelf={data} />;
}

function All({ shelf }: { shelf: ShelfOf }) {
  const current = useShelfKeys(shelf.baths);
  const unsure = shelf.baths.find((each) => each.due === null);
  const span = spanOf(shelf.baths);
  return (
    <>
      <PageHead title={shelf.answer}>
        <ToDo check={unsure?.bath.id} name={unsure?.bath.name} />
      </PageHead>
      <Shelf shelf={shelf} />
      <section className="mt-3 border-t-2 border-ink pt-2">
        <h2 className="note font-text font-normal">
          Speed against its strip; without one against the table. Hatched: where it lies, 19 times
          in 20.
        </h2>
        <ul className="mt-1">
          {shelf.baths.map((each) => (
            <SpeedRow key={each.bath.id} of={each} span={span} current={each.bath.id === current} />
          ))}
        </ul>
        <ScaleRow span={span} />
      </section>
      <Never shelf={shelf} />
      <Retired baths={shelf.retired} />
    </>
  );
}

function ToDo({ check, name }: { check?: string; name?: string }) {
  const { room, keeper } = useHere();
  return (
    <>
      <ButtonLink look="quiet" to={`/r/${room}/instruments`}>
        Instruments
      </ButtonLink>
      {keeper ? (
        <ButtonLink to={`/r/${room}/baths/new`}>Make up a bath</ButtonLink>
      ) : (
        <span className="note">Keepers make up baths; anyone may read them.</span>
      )}
      {check ? (
        <ButtonLink look="bath" to={`/r/${room}/baths/${check}?do=patch`}>
          <Mark name="bath" /> Check {name}
        </ButtonLink>
      ) : null}
    </>
  );
}

/** The plates on the rack that a bath refuses, in one sentence each. */
function Never({ shelf }: { shelf: ShelfOf }) {
  const { room } = useHere();
  const baths = shelf.baths.filter((each) => each.signs.some((sign) => sign.word === "no zinc"));
  const zinc = shelf.baths[0]?.plates.filter((plate) => plate.metal === "zinc") ?? [];
  if (baths.length === 0) return null;
  const good = shelf.baths.filter((each) =>
    each.plates.some((p) => p.metal === "zinc" && p.verdict === "allowed"),
  );
  return (
    <p className="mt-3 flex flex-wrap items-start gap-x-2 gap-y-1 [&>svg]:mt-0.5 [&>svg]:text-vermilion">
      <Mark name="danger" size={18} />
      <b className="text-vermilion">Zinc never in {baths.map((b) => b.bath.name).join(" or ")}.</b>
      {zinc.length > 0 && good.length > 0 ? (
        <span>
          {zinc.map((plate) => plate.name).join(", ")} {zinc.length > 1 ? "are" : "is"} zinc: into{" "}
          {good.map((each) => each.bath.name).join(" or ")}.
        </span>
      ) : null}
      <ButtonLink look="row" className="ml-auto" to={`/r/${room}/baths/${baths[0]?.bath.id}`}>
        Open {baths[0]?.bath.name}
      </ButtonLink>
    </p>
  );
}

function NoBath({ retired }: { retired: ShelfOf["retired"] }) {
  const { room, keeper } = useHere();
  return (
    <>
      <PageHead title="No bath yet." />
      <Empty title="An empty tray">
        <p>
          Plans follow today's bath: its mordant, how warm it is, how much metal it holds. Made up
          in about 20 minutes.
        </p>
        {keeper ? (
          <ButtonLink look="strong" to={`/r/${room}/baths/new`}>
            Make up a bath
          </ButtonLink>
        ) : (
          <p className="note">Keepers make up baths; anyone may read them.</p>
        )}
      </Empty>
      <Retired baths={retired} />
    </>
  );
}
