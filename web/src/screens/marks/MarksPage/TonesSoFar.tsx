import type { Marks, MarksState } from "../../../api/marks";
import type { Log } from "../../../device/useWaiting";
import type { MarkGroup } from "../../../api/marks";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { shownApart, type Units } from "../../../ui/units";

type Props = { marks: Marks; state: MarksState; log: Log };

/** Each group: its tone now and wanted, what to do, how much of it is drawn. */
export function TonesSoFar({ marks, state, log }: Props) {
  const { me } = useHere();
  if (marks.groups_out.length === 0) return null;
  const drawn = new Map(state.groups.map((each) => [each.group, each.share]));
  const guessed = marks.groups_out.some((each) => each.now_from === "scratches");
  return (
    <section className="min-w-0 border-t-2 border-ink pt-2">
      <span className="flex items-baseline gap-3">
        <h2 className="mr-auto text-h3">Tones so far</h2>
        <span className="note">L* now, wanted</span>
      </span>
      <ul>
        {marks.groups_out.map((each) => {
          const wanted = each.lstar ?? null;
          const share = drawn.get(each.name) ?? 0;
          const off = each.now !== null && wanted !== null && each.now - wanted > 5;
          return (
            <li
              key={each.name}
              className={`grid grid-cols-[minmax(0,1fr)_28px_28px] items-baseline gap-x-2 border-b border-hair py-1 ${off ? "font-bold text-copper-deep" : ""}`}
            >
              <span>{each.name}</span>
              <span className="num text-right">
                {each.now === null ? "" : Math.round(each.now)}
              </span>
              <span className="num text-right">{wanted === null ? "" : Math.round(wanted)}</span>
              <span className="note col-span-full flex items-center gap-2">
                <span className="mr-auto">
                  {[
                    each.texture_text || advice(each, me),
                    share > 0 ? `${Math.round(share * 100)} % drawn` : "",
                  ]
                    .filter(Boolean)
                    .join(", ")}
                </span>
                {wanted !== null && share < 1 ? (
                  <Button
                    look="row"
                    aria-label={`${each.name} is all drawn`}
                    onClick={() => log({ kind: "marked", data: { group: each.name, share: 1 } })}
                  >
                    Drawn
                  </Button>
                ) : null}
                {share >= 1 ? (
                  <Button
                    look="row"
                    aria-label={`${each.name} is not all drawn`}
                    onClick={() => log({ kind: "marked", data: { group: each.name, share: 0.5 } })}
                  >
                    Not yet
                  </Button>
                ) : null}
              </span>
            </li>
          );
        })}
      </ul>
      {guessed ? <p className="note mt-1">From the photographs, ±5 until a proof.</p> : null}
    </section>
  );
}

/** What to do next, and how far apart. */
function advice({ advice: said, hatch }: MarkGroup, units: Units): string {
  const draws = said === "cross it" || said === "hatch it";
  if (!draws || hatch?.spacing_um == null) return said;
  return `${said} at ${shownApart(hatch.spacing_um, units)} ${units.length_unit}`;
}
