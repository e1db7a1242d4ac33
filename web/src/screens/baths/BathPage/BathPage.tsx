import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { type BathPage as Page, bathPageQuery } from "../../../api/baths";
import { BathLife } from "../../../figures/bath/BathLife";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { Beside, Section } from "../../../ui/Section";
import { Answer } from "./Answer";
import { Asked } from "./Asked";
import { Checks } from "./Checks";
import { Head } from "./Head";
import { HeatAhead } from "./HeatAhead";
import { Marked } from "./Marked";
import { Never } from "./Never";
import { OwnNumbers } from "./OwnNumbers";
import { Readings } from "./Readings";
import { Sources } from "./Sources";
import { useBathKeys } from "./useBathKeys";

/** One bath: how fast today, how sure, from what, and how long it will live. */
export function BathPage() {
  const { room } = useHere();
  const { bath: id = "" } = useParams();
  const { data: page, error } = useQuery(bathPageQuery(room, id));
  if (!page)
    return (
      <Asking error={error}>
        <h1>Bath</h1>
      </Asking>
    );
  return <Known page={page} />;
}

function Known({ page }: { page: Page }) {
  const { me, zone } = useHere();
  const { asked, ask, marked } = useBathKeys(page);
  return (
    <>
      <Head page={page} asked={asked} ask={ask} />
      <Answer page={page} />
      <Asked page={page} asked={asked} close={() => ask(null)} />
      <div className="mt-3 grid items-start gap-x-6.5 gap-y-5 desk:grid-cols-[minmax(0,1fr)_262px]">
        <div className="min-w-0">
          <BathLife page={page} units={me} zone={zone} marked={marked?.id ?? null} />
          <Marked check={marked} />
        </div>
        <Sources page={page} />
      </div>
      <Never page={page} />
      {page.bath.retired || page.bath.vessel === "bottle" ? null : <HeatAhead bath={page.bath} />}
      <Beside>
        <div>
          <Checks page={page} />
          <Readings bath={page.bath} />
        </div>
        <Section>
          <OwnNumbers page={page} />
        </Section>
      </Beside>
    </>
  );
}
