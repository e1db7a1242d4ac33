import { drawingUrl, printUrl, type Study } from "../../../api/studies";
import { useHere } from "../../../frame/useHere";
import { Curtain } from "../../../ui/Curtain";
import { Segments } from "../../../ui/Segments";
import { islandsOf } from "./islands";
import type { Drawing } from "./useDrawing";

const WIDTH_PX = 1200;
const WAYS = [
  ["print", "As it prints"],
  ["plate", "On the plate"],
] as const;

type Props = {
  study: Study;
  mirrored: boolean;
  onMirror: (mirrored: boolean) => void;
  drawing: Drawing;
};

/** The drawing beside its print, and what is drawn over it. */
export function Picture({ study, mirrored, onMirror, drawing }: Props) {
  const { room } = useHere();
  const turned = mirrored ? "-scale-x-100" : "";
  const size = {
    width: WIDTH_PX,
    height: Math.round((WIDTH_PX * study.height_mm) / study.width_mm),
    className: `block h-auto w-full select-none ${turned}`,
    draggable: false,
  };
  const way = mirrored ? ", mirrored as it lies on the plate" : ", as it prints";
  return (
    <>
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <h3>Value study</h3>
        <Segments
          label="Which way round"
          value={mirrored ? "plate" : "print"}
          options={WAYS}
          onChange={(next) => onMirror(next === "plate")}
        />
      </div>
      <Curtain
        label="Drawing beside print"
        leftName="drawing"
        rightName={`${study.cut?.count ?? 0} tones`}
        left={<img src={drawingUrl(room, study, WIDTH_PX)} alt={`The drawing${way}`} {...size} />}
        right={
          <img src={printUrl(room, study, { width: WIDTH_PX })} alt={`The print${way}`} {...size} />
        }
      >
        <Over study={study} mirrored={mirrored} drawing={drawing} />
      </Curtain>
    </>
  );
}

/** Rings round islands, and what is being drawn; in mm as it prints. */
function Over({ study, mirrored, drawing }: Omit<Props, "onMirror">) {
  const { width_mm: width, height_mm: height } = study;
  const x = (mm: number) => (mirrored ? width - mm : mm);
  const at = (event: React.PointerEvent<SVGSVGElement>): [number, number] => {
    const box = event.currentTarget.getBoundingClientRect();
    const across = ((event.clientX - box.left) / box.width) * width;
    return [x(across), ((event.clientY - box.top) / box.height) * height];
  };
  const points = drawing.points.map(([px, py]) => `${x(px)},${py}`).join(" ");
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      aria-hidden="true"
      className={`absolute inset-0 size-full ${drawing.tool ? "cursor-crosshair touch-none" : "pointer-events-none"}`}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        drawing.begin(at(event));
      }}
      onPointerMove={(event) => {
        if (event.buttons > 0) drawing.go(at(event));
      }}
      onPointerUp={drawing.end}
    >
      {islandsOf(study).map((each) => (
        <g key={`${each.x_mm} ${each.y_mm}`} fill="none">
          <circle
            cx={x(each.x_mm)}
            cy={each.y_mm}
            r={width / 60}
            stroke="var(--color-ink)"
            strokeWidth={width / 160}
          />
          <circle
            cx={x(each.x_mm)}
            cy={each.y_mm}
            r={width / 60}
            stroke="var(--color-night-ferric)"
            strokeWidth={width / 330}
          />
        </g>
      ))}
      {points ? (
        <>
          <polyline
            points={points}
            fill="none"
            stroke="var(--color-ink)"
            strokeWidth={drawing.tool === "brush" ? drawing.width : width / 150}
            strokeLinecap="round"
            strokeLinejoin="round"
            opacity={drawing.tool === "brush" ? 0.6 : 1}
          />
          {drawing.tool === "brush" ? null : (
            <polygon
              points={points}
              fill="none"
              stroke="var(--color-white)"
              strokeWidth={width / 300}
              strokeDasharray={`${width / 80} ${width / 120}`}
            />
          )}
        </>
      ) : null}
    </svg>
  );
}
