import { pictureUrl } from "../../../api/proofs";
import { taskFileUrl } from "../../../api/tasks";
import type { Layer, Lies, Work, WorkState } from "../../../api/works";
import { CrossDial } from "../../../figures/layers/CrossDial";
import { useHere } from "../../../frame/useHere";
import { isFilm } from "../../../frame/works/todo";
import type { Hands } from "../../../frame/works/useWorkHands";
import { offOf } from "../../../frame/works/words";
import { Section } from "../../../ui/Section";
import { useUser } from "../../../ui/useUser";
import { begun, inWords } from "../../../ui/words";
import { Chosen } from "./Chosen";
import { Preview } from "./Preview";

type Props = {
  work: Work;
  state: WorkState;
  chosen: string | null;
  choose: (layer: string | null) => void;
  hands: Hands;
};

const PLACES = ["first", "second", "third", "fourth", "fifth", "sixth"];

/** Each plate alone in its ink, its order, where its cross lies; at the end the print they make. */
export function Plates({ work, state, chosen, choose, hands }: Props) {
  const lies = lastLies(work, state);
  const layer = work.layers_out.find((each) => each.id === chosen);
  return (
    <Section>
      <header className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-h3">{headOf(work)}</h2>
        <span className="note">
          {lies ? "Crosses: where each lies on the key, 6 times as large." : work.stack?.text}
        </span>
      </header>
      <div className="mt-2 grid grid-cols-[minmax(0,1fr)_minmax(0,420px)] items-start gap-x-7 gap-y-5 max-desk:grid-cols-1">
        <ol className="grid grid-cols-[repeat(auto-fill,minmax(236px,1fr))] gap-x-5 gap-y-5">
          {work.layers_out.map((each, i) => (
            <Card
              key={each.id}
              layer={each}
              place={i}
              work={work}
              lies={lies?.get(each.name) ?? null}
              read={lies !== null && isFilm(each)}
              chosen={each.id === chosen}
              choose={() => choose(each.id === chosen ? null : each.id)}
            />
          ))}
        </ol>
        <Preview work={work} />
      </div>
      {layer ? (
        <Chosen
          key={layer.id}
          layer={layer}
          work={work}
          state={state}
          lies={lies?.get(layer.name) ?? null}
          hands={hands}
        />
      ) : null}
    </Section>
  );
}

function headOf(work: Work): string {
  const plates = work.layers_out.filter(isFilm).length;
  const others = work.layers_out.length - plates;
  if (others === 0) return `${begun(inWords(plates))} plates, one print`;
  return `${begun(inWords(work.layers_out.length))} layers, one sheet: ${work.stack?.title.toLowerCase() ?? ""}`;
}

/** How plates lay on the sheet whose crosses were read last, by name; null: none was read. */
function lastLies(work: Work, state: WorkState): Map<string, Lies> | null {
  const read = state.sheets
    .filter((each) => each.crosses)
    .sort((a, b) => (a.crosses?.at_seconds ?? 0) - (b.crosses?.at_seconds ?? 0))
    .at(-1);
  const told = work.registers.find((each) => each.sheet === read?.event)?.told;
  return told ? new Map(told.plates.map((each) => [each.name, each])) : null;
}

type CardProps = {
  layer: Layer;
  place: number;
  work: Work;
  lies: Lies | null;
  read: boolean;
  chosen: boolean;
  choose: () => void;
};

function Card({ layer, place, work, lies, read, chosen, choose }: CardProps) {
  const { units } = useUser();
  const last = place === work.layers_out.length - 1;
  const order = last && place > 0 ? "printed last" : (PLACES[place] ?? `${place + 1}th`);
  return (
    <li>
      <button
        type="button"
        aria-pressed={chosen}
        className="grid w-full grid-cols-[minmax(0,128px)_minmax(0,1fr)] gap-x-2.5 text-left"
        onClick={choose}
      >
        <span
          className={`block overflow-hidden bg-paper-lift ${layer.key ? "border-[2.5px] border-ink" : "border border-ink"} ${chosen ? "outline-3 outline-offset-2 outline-copper-deep" : ""}`}
          style={{ aspectRatio: `${work.width_mm} / ${work.height_mm}` }}
        >
          <Picture layer={layer} work={work} />
        </span>
        <span className="min-w-0">
          <b className="block truncate">
            {place + 1} {layer.name}
          </b>
          <span className="block text-note">{order}</span>
          {read ? <CrossDial lies={layer.key ? null : lies} /> : null}
        </span>
        <span className="note col-span-full mt-1">
          {layer.key ? "the others lie to it" : layer.label.toLowerCase()}
          {layer.plate_state ? `, ${layer.plate_state}` : ""}
          {read && lies && !layer.key ? (
            <b className={`block ${lies.within ? "font-normal text-ink-2" : "text-ferric-deep"}`}>
              {offOf(lies, units)}
            </b>
          ) : null}
        </span>
      </button>
    </li>
  );
}

/** A plate alone in its ink, where the preview drew it; else what it prints, else its ink. */
function Picture({ layer, work }: { layer: Layer; work: Work }) {
  const { room } = useHere();
  const films = work.layers_out.filter((each) => each.kind !== "chine-colle" && each.shown);
  const at = films.findIndex((each) => each.id === layer.id);
  const src =
    work.preview && work.preview_fresh && at >= 0
      ? taskFileUrl(room, work.preview, at + 2)
      : layer.shown
        ? pictureUrl(room, layer.shown)
        : null;
  if (!src) return <span className="block size-full" style={{ background: layer.hex }} />;
  return <img src={src} alt={`What ${layer.name} prints`} className="size-full object-cover" />;
}
