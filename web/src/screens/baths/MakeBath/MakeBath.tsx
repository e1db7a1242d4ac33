import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type Asked, type Made, makeUp } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { Beside, PageHead, Section } from "../../../ui/Section";
import { Keep } from "./Keep";
import { Pouring } from "./Pouring";
import { Recipe } from "./Recipe";

const FIRST: Asked = {
  mordant: "copper-ferric",
  volume_l: 4,
  over_mm: 20,
  salts_g_per_l: {},
  prices: {},
  name: "",
};

/** Make up a bath: how much of what, in which order, does the plate fit; then it is kept. */
export function MakeBath() {
  const { room, keeper } = useHere();
  const [asked, setAsked] = useState<Asked>(FIRST);
  const { data, error, isFetching } = useQuery({
    queryKey: ["make-up", asked],
    queryFn: () => makeUp(asked),
    retry: false,
    placeholderData: (before) => before,
    staleTime: Number.POSITIVE_INFINITY,
  });
  if (!keeper)
    return (
      <PageHead title="Make up a bath" note="Keepers make up baths; anyone may read them.">
        <ButtonLink to={`/r/${room}/baths`}>All baths</ButtonLink>
      </PageHead>
    );
  const made = error ? null : (data ?? null);
  return (
    <>
      <div className="print:hidden">
        <PageHead title={made ? answer(made) : "Make up a bath"}>
          <ButtonLink look="quiet" to={`/r/${room}/baths`}>
            All baths
          </ButtonLink>
        </PageHead>
      </div>
      <Beside side="even" className="mt-3">
        <div className="print:hidden">
          <Recipe asked={asked} ask={setAsked} error={error} />
        </div>
        <div aria-busy={isFetching}>{made ? <Pouring made={made} /> : null}</div>
      </Beside>
      <Section className="print:hidden">
        <Keep asked={asked} made={made} />
      </Section>
    </>
  );
}

/** In one sentence what goes in. */
function answer(made: Made): string {
  const parts = made.ingredients.map((each) =>
    each.grams !== null && each.grams !== undefined
      ? `${each.grams.toFixed(0)} g of ${each.name}`
      : `${(each.litres ?? 0).toFixed(2)} L of ${each.name}`,
  );
  return `${parts.join(", then ")}.`;
}
