import { ButtonLink } from "../ui/Button";
import { Empty } from "../ui/Section";
import { useHere } from "./useHere";

/** There is no bath that bites this metal yet. */
export function NoBath({ metal, what }: { metal: string; what: string }) {
  const { room } = useHere();
  return (
    <Empty title={`No bath for ${metal}`}>
      <p>{what} follows today's bath: its mordant, temperature and load. Two minutes.</p>
      <ButtonLink look="strong" to={`/r/${room}/baths`}>
        Make up a bath
      </ButtonLink>
    </Empty>
  );
}
