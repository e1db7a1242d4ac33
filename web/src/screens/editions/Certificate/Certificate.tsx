import { useQuery } from "@tanstack/react-query";
import { type Edition, editionQuery } from "../../../api/editions";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { usePaper } from "../../../frame/usePaper";
import { Asking } from "../../../ui/Asking";
import { Button, ButtonLink } from "../../../ui/Button";
import { Empty } from "../../../ui/Section";
import { dayOf } from "../../../ui/times";
import { shownLength } from "../../../ui/units";
import { Near } from "./Near";

/** The certificate of an edition: A5 upright, black on white, filled by hand. */
export function Certificate() {
  const { room } = useHere();
  const { plate } = usePlate();
  const { data, error } = useQuery(editionQuery(room, plate.id));
  usePaper("A5 portrait");
  if (!data)
    return (
      <Asking error={error}>
        <h2>Certificate</h2>
      </Asking>
    );
  if (data.version === 0)
    return (
      <Empty title="No edition to certify">
        <p>Say how many there shall be; the certificate tells only of what is on the record.</p>
        <ButtonLink look="strong" to={`/r/${room}/plates/${plate.id}/edition`}>
          Begin the edition
        </ButtonLink>
      </Empty>
    );
  return (
    <>
      <div className="my-3 flex flex-wrap items-center gap-3 print:hidden">
        <p className="min-w-0 flex-1 font-slab text-h2 font-semibold">
          {data.left === 0
            ? "Certificate, A5 upright"
            : `${data.left} are not printed yet: it certifies what is.`}
        </p>
        <ButtonLink look="quiet" to={`/r/${room}/plates/${plate.id}/edition`}>
          Back to the edition
        </ButtonLink>
        <Button look="strong" onClick={() => window.print()}>
          Print it
        </Button>
      </div>
      <Sheet edition={data} />
    </>
  );
}

function Sheet({ edition }: { edition: Edition }) {
  const { room } = useHere();
  return (
    <article className="printed-alone grid max-w-140 gap-3.5 border border-ink bg-white p-10 text-ink max-phone:p-5 print:max-w-none print:border-0 print:p-[8mm]">
      <header className="border-b-3 border-ink pb-2">
        <h2 className="text-h1">{edition.plate_name}</h2>
        <p className="flex justify-between gap-3 text-lead">
          <span>
            {capital(edition.route)} on {edition.metal_text}
          </span>
          <span>{edition.room_name}</span>
        </p>
      </header>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] items-start gap-5">
        {edition.ok?.picture ? (
          <img
            src={`/api/rooms/${room}/files/${edition.ok.picture}`}
            alt={`${edition.plate_name}, the OK to print`}
            className="w-full border border-ink grayscale"
          />
        ) : (
          <div className="aspect-4/3 border border-dashed border-ink" />
        )}
        <div>
          <p className="font-slab text-h3">This impression</p>
          <p className="num border-b border-ink pb-1 text-right text-show font-bold">
            <span className="sr-only">number by hand</span>/ {edition.size}
          </p>
          <p className="mt-2">{aside(edition)}</p>
        </div>
      </div>
      <Facts edition={edition} />
      <Near edition={edition} />
      <Numbers edition={edition} />
      <div className="mt-8 grid grid-cols-[1.4fr_1.4fr_0.8fr] gap-5">
        {["artist", "printer", "date"].map((each) => (
          <span key={each} className="border-t border-ink pt-1">
            {each}
          </span>
        ))}
      </div>
      <p className="flex justify-between">
        <span>Every pull is on the plate's record.</span>
        <b className="font-slab">KEEN BITE</b>
      </p>
    </article>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** "and 2 artist's proofs, AP 1 and AP 2. No other impression was numbered." */
function aside(edition: Edition): string {
  const proofs = edition.rows.filter(
    (each) => each.state === "signed" && (each.series === "artist" || each.series === "printer"),
  );
  const named = proofs.map((each) => each.label).join(", ");
  return `${proofs.length > 0 ? `and ${named}. ` : ""}No other impression was numbered.`;
}

function Facts({ edition }: { edition: Edition }) {
  const { me, zone } = useHere();
  const mm = (value: number) => shownLength(value, me);
  const unit = me.length_unit;
  const away = edition.rows.filter((each) => each.state === "void" || each.state === "spoiled");
  const facts: [string, string][] = [
    [
      "Plate",
      `${edition.metal_text} ${mm(edition.thickness_mm)} ${unit}, ${mm(edition.width_mm)} × ${mm(edition.height_mm)} ${unit}`,
    ],
    [
      "Paper",
      [
        edition.paper_name,
        edition.sheets
          ? `${mm(edition.sheets.piece_mm[0])} × ${mm(edition.sheets.piece_mm[1])} ${unit}`
          : "",
      ]
        .filter(Boolean)
        .join(", "),
    ],
    ["Ink", [edition.ink_name, edition.printing.wipes.join(", then ")].filter(Boolean).join(", ")],
    ["Press", edition.press_text],
    [
      "OK to print",
      edition.ok
        ? `${dayOf(edition.ok.at, zone)}${edition.ok.condition ? `, if ${edition.ok.condition}` : ""}`
        : "none on record",
    ],
    ["Spoiled", away.length === 0 ? "none" : `${away.length}, ${voids(away)}`],
    [
      "The plate",
      edition.cancelled_at
        ? edition.cancelled_how
        : "☐ scored through   ☐ kept, not to be printed again",
    ],
  ];
  return (
    <dl className="grid grid-cols-[96px_minmax(0,1fr)] gap-y-1.5">
      {facts
        .filter(([, text]) => text)
        .map(([name, text]) => (
          <div key={name} className="contents">
            <dt className="font-bold">{name}</dt>
            <dd>{text}</dd>
          </div>
        ))}
    </dl>
  );
}

function voids(rows: Edition["rows"]): string {
  const numbered = rows.filter((each) => each.state === "void").map((each) => each.label);
  return numbered.length > 0 ? `void: ${numbered.join(", ")}` : "none of them numbered";
}

const ROW = 10;

/** The numbers that were given; a void one is crossed, one not printed yet is open. */
function Numbers({ edition }: { edition: Edition }) {
  const state = new Map(
    edition.rows
      .filter((each) => each.series === "edition")
      .map((each) => [each.number, each.state]),
  );
  return (
    <ol
      className="grid grid-cols-10 border-t border-l border-ink"
      aria-label="Numbers of the edition"
    >
      {Array.from({ length: Math.ceil(edition.size / ROW) * ROW }, (_, i) => i + 1).map((n) => (
        <li
          key={n}
          className={`num border-r border-b border-ink py-1 text-center ${state.get(n) === "signed" ? "font-bold" : ""} ${state.get(n) === "void" ? "line-through" : ""}`}
        >
          {n > edition.size ? (
            ""
          ) : state.has(n) ? (
            n
          ) : (
            <span className="sr-only">{n} not printed</span>
          )}
        </li>
      ))}
    </ol>
  );
}
