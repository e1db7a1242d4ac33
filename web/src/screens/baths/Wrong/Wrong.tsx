import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { bathPageQuery } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { Button, ButtonLink } from "../../../ui/Button";
import { PageHead } from "../../../ui/Section";

/** If it goes wrong at this bath: what to do now, large enough to read from the door, to be printed. */
export function Wrong() {
  const { room } = useHere();
  const { bath = "" } = useParams();
  const { data, error } = useQuery(bathPageQuery(room, bath));
  if (!data)
    return (
      <Asking error={error}>
        <h1>If it goes wrong</h1>
      </Asking>
    );
  return (
    <>
      <PageHead title={`If it goes wrong: ${data.bath.name}`} note={data.bath.mordant_label}>
        <ButtonLink look="quiet" to={`/r/${room}/baths/${bath}`}>
          {data.bath.name}
        </ButtonLink>
        <Button look="strong" onClick={() => window.print()}>
          Print it
        </Button>
      </PageHead>
      <ul className="mt-3 grid gap-4">
        {data.cautions.map((caution) => (
          <li key={caution.key} className="border-t-2 border-ink pt-2">
            <h2 className={caution.level === "danger" ? "text-vermilion" : ""}>{caution.title}</h2>
            <p className="mt-1 text-h3 leading-snug font-semibold">{caution.now}</p>
            <p className="note mt-1">{caution.text}</p>
          </li>
        ))}
      </ul>
      <p className="note mt-4">
        This stands in for no supplier's safety sheet and no local rule: they come first. Keep them,
        and the number of the poison centre, by the door.
      </p>
    </>
  );
}
