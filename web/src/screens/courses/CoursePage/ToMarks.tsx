import { Link } from "react-router";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";

/** Where marks are planned, seen and counted. */
export function ToMarks({ plate }: { plate: Plate }) {
  const { room } = useHere();
  return (
    <Link
      className="inline-block font-semibold underline underline-offset-3 pointer-coarse:min-h-12"
      to={`/r/${room}/plates/${plate.id}/marks`}
    >
      Its marks: how close, what is seen, what is left to do
    </Link>
  );
}
