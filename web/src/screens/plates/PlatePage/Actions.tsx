import { useMutation, useQueryClient } from "@tanstack/react-query";
import type { Plan } from "../../../api/plans";
import { changePlate, type Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { Button, ButtonLink } from "../../../ui/Button";
import { Mark } from "../../../ui/Mark";
import { Section } from "../../../ui/Section";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";
import { Begin } from "./Begin";

/** What can be done with the plate now. */
export function Actions({ plate, plans }: { plate: Plate; plans: Plan[] }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const away = useMutation({
    mutationFn: (put_away: boolean) =>
      changePlate(room, plate.id, { version: plate.version, put_away }),
    onSuccess: async (now) => {
      await client.invalidateQueries({ queryKey: [room] });
      say({
        text: now.put_away ? `${plate.name} is put away.` : `${plate.name} is in the rack again.`,
      });
    },
  });
  return (
    <Section className="flex flex-wrap items-center gap-3">
      {plate.run ? (
        <ButtonLink look="bath" to={`/r/${room}/runs/${plate.run.id}`}>
          <Mark name={plate.run.in_bath ? "bath" : "lifted"} /> Go to the bath
        </ButtonLink>
      ) : (
        <Begin plate={plate} plans={plans} />
      )}
      <ButtonLink look="quiet" className="ml-auto" to={`/r/${room}/plates/${plate.id}/facts`}>
        Change the plate
      </ButtonLink>
      <Button look="quiet" onClick={() => away.mutate(!plate.put_away)}>
        {plate.put_away ? "Back into the rack" : "Put away"}
      </Button>
      <Trouble error={away.error} />
    </Section>
  );
}
