import { type ComponentType, lazy, type ReactNode, Suspense, useState } from "react";
import type { Place } from "../places";
import { Asking } from "../ui/Asking";
import { Failed } from "./Lost";

type Screen = { element: ReactNode; errorElement: ReactNode; fetched: () => Promise<void> };

/** A screen whose code comes when it is first asked for; what is there already is drawn at once. */
export function screen(load: Place["load"]): Screen {
  let here: ComponentType | null = null;
  const fetched = async () => {
    here = await load();
  };
  const late = () => lazy(async () => ({ default: await load() }));
  let Late = late();
  function Shown() {
    const [Here] = useState(() => here ?? Late);
    return <Here />;
  }
  // what was refused stays refused; once that is said, whoever comes again asks anew
  const afresh = () => {
    Late = late();
  };
  const element = (
    <Suspense fallback={<Asking error={null} />}>
      <Shown />
    </Suspense>
  );
  return { element, errorElement: <Failed said={afresh} />, fetched };
}
