import { shownArea, areaUnit } from "../../../ui/units";
import { useMutation } from "@tanstack/react-query";
import { sendPicture } from "../../../api/proofs";
import { taskFileUrl } from "../../../api/tasks";
import type { Stencils, Work } from "../../../api/works";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import type { useKeepWork } from "../../../frame/works/useKeepWork";
import { Button } from "../../../ui/Button";
import { Trouble } from "../../../ui/Trouble";

type One = Stencils["stencils"][number];
type Props = { stencil: One; task: string; work: Work; keep: ReturnType<typeof useKeepWork> };

/** One stencil as it prints: its opening in its colour, bridges in copper. */
export function OneStencil({ stencil, task, work, keep }: Props) {
  const { room, me } = useHere();
  const name = `Stencil ${stencil.number}`;
  const there = work.layers_out.some((each) => each.name === name);
  const add = useMutation({
    mutationFn: async () => {
      const reply = await fetch(taskFileUrl(room, task, stencil.number + 1));
      const file = new File([await reply.blob()], `stencil-${stencil.number}.png`);
      const picture = await sendPicture(room, newId(), file);
      const layer = {
        id: newId(),
        name,
        kind: "stencil" as const,
        picture: picture.id,
        ink_lab: stencil.lab,
        ink_class: "half" as const,
        covers: Math.max(0.01, stencil.open_cm2 / ((work.width_mm * work.height_mm) / 100)),
        key: false,
        varied: false,
        open_ink: "oil" as const,
        crosses: [],
      };
      return keep({ layers: [...work.layers, layer] as never });
    },
  });
  const open = `${shownArea(stencil.open_cm2, me)} ${areaUnit(me)}`;
  return (
    <li>
      <svg
        viewBox={`0 0 ${work.width_mm} ${work.height_mm}`}
        className="w-full border-[1.5px] border-ink bg-paper-lift"
        role="img"
        aria-label={`${name} as it prints`}
      >
        <path
          d={stencil.outline}
          fillRule="evenodd"
          fill={stencil.hex}
          className="stroke-ink"
          strokeWidth=".5"
        />
        {stencil.loose.map((each) => (
          <path
            key={`${each.x_mm} ${each.y_mm}`}
            d={`M${each.bridge[0][0]} ${each.bridge[0][1]}L${each.bridge[1][0]} ${each.bridge[1][1]}`}
            className="stroke-copper-deep"
            strokeWidth="2"
          />
        ))}
      </svg>
      <b className="mt-1 block">
        {stencil.number}, L* {stencil.lab[0].toFixed(0)}
      </b>
      <span>
        opens {open} in {stencil.pieces} {stencil.pieces === 1 ? "piece" : "pieces"}
        {stencil.loose.length > 0 ? `, ${stencil.loose.length} to bridge` : ""}
      </span>
      <span className="mt-1 block">
        <Button look="row" disabled={there || add.isPending} onClick={() => add.mutate()}>
          {there ? "It is a layer" : `Make ${name.toLowerCase()} a layer`}
        </Button>
      </span>
      <Trouble error={add.error} />
    </li>
  );
}
