import { useState } from "react";
import type { Study, StudyArea } from "../../../api/studies";
import { ToneSign } from "../../../figures/ToneSign";
import { TextButton } from "../../../ui/Button";
import { Digits } from "../../../ui/Table";
import { areaUnit, shownArea } from "../../../ui/units";
import { useUser } from "../../../ui/useUser";
import type { Changes } from "./useStudy";

type Props = { study: Study; changes: Changes };

/** The areas: how large they are, how long they take to paint; the order is that of the section. */
export function AreaTable({ study, changes }: Props) {
  const areas = study.cut?.areas ?? [];
  const { units } = useUser();
  const rows: [string, (area: StudyArea) => string][] = [
    ["L*", (area) => (area.lstar === null ? "white" : toneOf(area))],
    ["of the plate", (area) => `${Math.round(100 * area.share)} %`],
    [areaUnit(units), (area) => shownArea(area.cm2, units)],
    ["min to paint", (area) => minutesOf(study, area)],
  ];
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a part that scrolls must be reached by keys
    <div className="relative overflow-x-auto" tabIndex={0}>
      <table>
        <thead>
          <tr>
            <th>
              <span className="sr-only">What</span>
            </th>
            {areas.map((area, i) => (
              <th key={area.key} className="text-right text-body!">
                <span className="inline-flex items-center gap-1.5 whitespace-nowrap">
                  <ToneSign tone={i} size={14} />
                  <Name area={area} study={study} changes={changes} />
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, told]) => (
            <tr key={name}>
              <td className="text-ink-2">{name}</td>
              {areas.map((area) => (
                <Digits key={area.key}>{told(area)}</Digits>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function minutesOf(study: Study, area: StudyArea): string {
  if (isLast(study, area)) return "none";
  return String(Math.max(1, Math.round(area.paint_minutes)));
}

function toneOf({ graded, lstar }: StudyArea): string {
  if (!graded) return (lstar ?? 0).toFixed(0);
  const off = Math.round((graded.light_high - graded.light_low) / 2);
  return `${graded.light_lstar.toFixed(0)} ±${off} to ${graded.dark_lstar.toFixed(0)}`;
}

/** The darkest is bitten to the end: nobody covers it. */
function isLast(study: Study, area: StudyArea): boolean {
  const tones = study.cut?.areas.map((each) => each.lstar ?? 999) ?? [];
  return area.lstar === Math.min(...tones);
}

/** What an area is called; pressed, it can be called otherwise. */
function Name({ area, study, changes }: Props & { area: StudyArea }) {
  const [typed, setTyped] = useState<string | null>(null);
  const keep = () => {
    const name = (typed ?? "").trim().slice(0, 80);
    const taken = study.cut?.areas.some((each) => each.name === name && each.key !== area.key);
    if (name && name !== area.name && !taken) {
      changes.change({ names: { ...study.names, [area.key]: name } });
    }
    setTyped(null);
  };
  if (typed === null) {
    return (
      <TextButton
        className="decoration-hair"
        aria-label={`Call ${area.name} otherwise`}
        onClick={() => setTyped(area.name)}
      >
        {area.name}
      </TextButton>
    );
  }
  return (
    <input
      aria-label={`Name of ${area.name}`}
      // biome-ignore lint/a11y/noAutofocus: it was pressed to be typed over
      autoFocus
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === "Enter") keep();
        if (event.key === "Escape") setTyped(null);
      }}
      className="w-36 border border-ink bg-white px-1.5 py-0.5"
    />
  );
}
