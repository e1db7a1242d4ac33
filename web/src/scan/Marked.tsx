import type { ReactNode } from "react";
import type { Picture } from "../api/proofs";
import { pictureUrl } from "../api/proofs";
import { useHere } from "../frame/useHere";

export type Point = [number, number];
export type Quad = Point[];
export type Size = Pick<Picture, "id" | "width_px" | "height_px">;

export const pointsOf = (quad: Quad) => quad.map(([x, y]) => `${x},${y}`).join(" ");

type Props = { picture: Size; alt: string; children?: ReactNode; handles?: ReactNode };

/** A picture of this room with something drawn over it, in its own pixels. */
export function Marked({ picture, alt, children, handles }: Props) {
  const { room } = useHere();
  return (
    <div className="relative">
      <img
        src={pictureUrl(room, picture.id)}
        alt={alt}
        width={picture.width_px}
        height={picture.height_px}
        className="block h-auto w-full border border-hair bg-paper-lift"
      />
      <svg
        viewBox={`0 0 ${picture.width_px} ${picture.height_px}`}
        className="pointer-events-none absolute inset-0 size-full"
        aria-hidden="true"
      >
        {children}
      </svg>
      {handles}
    </div>
  );
}

/** The outline of a patch or a plate: ink under paper, so that it is seen on both. */
export function Outline({ quad, doubtful = false }: { quad: Quad; doubtful?: boolean }) {
  const points = pointsOf(quad);
  return (
    <>
      <polygon
        points={points}
        className="fill-none stroke-paper-lift"
        strokeWidth="4"
        vectorEffect="non-scaling-stroke"
      />
      <polygon
        points={points}
        className={`fill-none ${doubtful ? "stroke-ferric-deep" : "stroke-ink"}`}
        strokeWidth="2"
        strokeDasharray={doubtful ? "6 4" : undefined}
        vectorEffect="non-scaling-stroke"
      />
    </>
  );
}
