import { pictureUrl, type Proof } from "../../../api/proofs";
import { useHere } from "../../../frame/useHere";
import { dayOf, roman } from "../../../ui/times";
import { Sign } from "./Sign";

type Props = {
  /** The picture of what is meant, where the plate has one. */
  study: string | null;
  proofs: Proof[];
  left: Proof | null;
  right: Proof;
  choose: (proof: string, beside: boolean) => void;
};

/** So many states leave room for what was drawn and what may come. */
const FEW_STATES = 5;
const MOST_EDGES = 5;
const EDGE_PX = 4;

/** The line: one front sheet a state, its other pulls edge on behind; the chosen hang lower. */
export function Hanging({ study, proofs, left, right, choose }: Props) {
  const states = statesOf(proofs, [left, right]);
  const few = states.length <= FEW_STATES;
  return (
    <fieldset className="relative flex min-w-0 gap-6.5 overflow-x-auto px-1 pt-3.5 pb-2.5">
      <legend className="sr-only">Proofs on the line; with Shift, beside the chosen one</legend>
      <span aria-hidden="true" className="absolute inset-x-0 top-2 border-t-2 border-ink-3" />
      {few && study ? <Drawn study={study} /> : null}
      {states.map(({ front, pulls }) => (
        <Hung
          key={front.id}
          proof={front}
          pulls={pulls}
          place={front.id === right.id ? "right" : front.id === left?.id ? "left" : null}
          choose={(beside) => choose(front.id, beside)}
          next={() => choose(after(pulls, front).id, false)}
        />
      ))}
      {few ? <ToCome last={states.at(-1)} /> : null}
    </fieldset>
  );
}

/** What was drawn hangs first. */
function Drawn({ study }: { study: string }) {
  const { room } = useHere();
  return (
    <figure className="flex-none">
      <div className="relative w-32 bg-paper-lift p-1.5 shadow-hung">
        <Pegs />
        <img
          src={pictureUrl(room, study)}
          alt="As drawn"
          className="block h-20 w-full object-cover"
        />
      </div>
      <figcaption className="mt-1.5 font-slab italic">as drawn</figcaption>
    </figure>
  );
}

/** Sheets that may come next: the same state again, which tells plate from wipe, or another. */
function ToCome({ last }: { last: State | undefined }) {
  if (!last) return null;
  const number = last.front.state_number;
  const alone = last.pulls.length === 1 && !last.front.ok_to_print;
  return (
    <>
      {alone ? (
        <Sheet title={`State ${roman(number)} again`} note="same plate, other wipe" />
      ) : null}
      {last.front.ok_to_print ? null : (
        <Sheet title={`State ${roman(number + 1)}`} note="after the next change" />
      )}
    </>
  );
}

const Sheet = ({ title, note }: { title: string; note: string }) => (
  <div className="flex-none max-phone:hidden">
    <div className="relative grid h-23 w-32 content-center border-[1.5px] border-dashed border-ink-3 px-2 text-center">
      <Pegs />
      <b className="font-slab font-semibold text-ink-2">{title}</b>
      <span className="note leading-tight">{note}</span>
    </div>
  </div>
);

type State = { front: Proof; pulls: Proof[] };

/** States in the plate's order; the front of each is the chosen pull, else its last. */
function statesOf(proofs: Proof[], chosen: (Proof | null)[]): State[] {
  const numbers = [...new Set(proofs.map((each) => each.state_number))].sort((a, b) => a - b);
  return numbers.flatMap((number) => {
    const pulls = proofs.filter((each) => each.state_number === number);
    const front = pulls.find((each) => chosen.some((one) => one?.id === each.id)) ?? pulls[0];
    return front ? [{ front, pulls }] : [];
  });
}

/** Two pegs hold a sheet on the line. */
const Pegs = () => (
  <span aria-hidden="true">
    {["left-4", "right-4"].map((side) => (
      <span
        key={side}
        className={`absolute -top-2.5 z-1 h-6 w-2.5 rounded-cut border border-ink bg-paper-edge ${side}`}
      />
    ))}
  </span>
);

/** The pull after another in its state, the first after the last. */
const after = (pulls: Proof[], of: Proof): Proof =>
  pulls[(pulls.findIndex((each) => each.id === of.id) + 1) % pulls.length] ?? of;

type HungProps = {
  proof: Proof;
  pulls: Proof[];
  place: "left" | "right" | null;
  choose: (beside: boolean) => void;
  next: () => void;
};

function Hung({ proof, pulls, place, choose, next }: HungProps) {
  const { room, zone } = useHere();
  const state = `State ${roman(proof.state_number)}`;
  const edges = Math.min(MOST_EDGES, pulls.length - 1);
  return (
    <div className={`flex-none ${place ? "translate-y-1.5" : ""}`}>
      <div className="relative w-32" style={{ paddingRight: `${edges * EDGE_PX}px` }}>
        {Array.from({ length: edges }, (_, i) => (
          <span
            // biome-ignore lint/suspicious/noArrayIndexKey: edges are all alike
            key={i}
            aria-hidden="true"
            className="absolute inset-y-1.5 w-full border border-hair bg-paper-lift"
            style={{ left: `${(i + 1 - edges) * EDGE_PX}px` }}
          />
        ))}
        <Pegs />
        <button
          type="button"
          aria-pressed={place !== null}
          aria-label={`${state}, ${dayOf(proof.pulled_at, zone)}`}
          onClick={(event) => choose(event.shiftKey)}
          className="relative block w-full bg-paper-lift p-1.5 text-left shadow-hung outline-offset-1 aria-pressed:outline-[3px] aria-pressed:outline-ink"
        >
          {proof.picture ? (
            <img
              src={pictureUrl(room, proof.picture)}
              alt={`Proof of ${state}`}
              className="block h-20 w-full object-cover"
            />
          ) : (
            <span className="note block h-20 p-2">no picture</span>
          )}
        </button>
      </div>
      <p className="mt-1.5 flex items-center gap-1.5 font-slab font-semibold">
        <Sign place={place}>{state}</Sign>
        {proof.ok_to_print ? <i className="note">OK to print</i> : null}
      </p>
      {proof.worked ? <p className="note">{proof.worked}</p> : null}
      <p className="note num">
        {dayOf(proof.pulled_at, zone)}
        {pulls.length > 1 ? (
          <button type="button" className="ml-1.5 underline underline-offset-3" onClick={next}>
            {pulls.length} pulls
          </button>
        ) : null}
      </p>
    </div>
  );
}
