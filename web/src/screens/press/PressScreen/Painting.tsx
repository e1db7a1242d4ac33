import { KIND_WORDS, WipeMap } from "../../../figures/press/WipeMap";
import type { Patch } from "../../../api/editions";
import { Button, TakeOut } from "../../../ui/Button";
import { Segments } from "../../../ui/Segments";
import type { PaintingNow } from "./usePainting";

type Props = {
  painting: PaintingNow;
  size: { width: number; height: number };
  picture: string | null;
};

/** The wipe map under the finger. */
export function Painting({ painting, size, picture }: Props) {
  return (
    <WipeMap
      patches={painting.patches}
      size={size}
      picture={picture}
      mirrored
      drawing={painting.line}
      chosen={painting.chosen}
      choose={painting.choose}
      onDown={(at, event) => {
        event.currentTarget.setPointerCapture?.(event.pointerId);
        painting.start(at);
      }}
      onMove={painting.go}
      onUp={painting.end}
    />
  );
}

const KINDS: readonly (readonly [Patch["kind"], string])[] = [
  ["leave", "Leave a film"],
  ["bright", "Wipe bright"],
  ["whiting", "Whiting"],
];

/** What is being painted, the patches by name, and keeping it. */
export function Paint({ painting }: { painting: PaintingNow }) {
  return (
    <div className="mt-3 grid gap-2.5">
      <p className="flex flex-wrap items-center gap-3">
        <Segments label="Paint" value={painting.kind} options={KINDS} onChange={painting.setKind} />
        <Button onClick={painting.add}>Add a patch</Button>
      </p>
      <p className="note">
        Circle a place with a finger or the mouse, as the plate lies. Or add a patch and move it
        with the arrow keys. Name it as you would say it: “the sky”.
      </p>
      <ul className="grid gap-1">
        {painting.patches.map((each, place) => (
          <li
            // biome-ignore lint/suspicious/noArrayIndexKey: patches have no other name than their place
            key={place}
            className="flex items-center gap-2"
          >
            <label className="flex min-w-0 flex-1 items-center gap-2">
              <span className={place === painting.chosen ? "font-bold" : ""}>
                {place + 1}. {KIND_WORDS[each.kind]}
              </span>
              <input
                className="min-h-10 min-w-20 flex-1 rounded-cut border-[1.5px] border-ink bg-white px-2 pointer-coarse:min-h-12"
                aria-label={`Name of patch ${place + 1}`}
                value={each.name}
                maxLength={120}
                onFocus={() => painting.choose(place)}
                onChange={(event) => painting.name(place, event.target.value)}
              />
            </label>
            <TakeOut what={`patch ${place + 1}`} onClick={() => painting.remove(place)} />
          </li>
        ))}
      </ul>
      <p className="flex gap-3">
        <Button look="strong" onClick={painting.keep}>
          Keep the wipe map
        </Button>
        <Button look="quiet" onClick={painting.close}>
          Leave it as it was
        </Button>
      </p>
    </div>
  );
}
