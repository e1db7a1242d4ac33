import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { type FaultsAsked, faultsQuery, signsQuery } from "../../../api/exposures";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { Beside, PageHead } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { Causes } from "./Causes";
import { Signs, type Said } from "./Signs";
import { Tones, type FourTones } from "./Tones";

/** A polymer plate went wrong: what is seen, and what it most likely was. */
export function WentWrong() {
  const { room } = useHere();
  const signs = useQuery(signsQuery(room));
  const [said, setSaid] = useState<Said>({});
  const [tones, setTones] = useState<FourTones | null>(null);
  const asked: FaultsAsked = {
    seen: keysOf(said, "seen"),
    not_seen: keysOf(said, "not"),
    ...(tones ?? {}),
  };
  const told = useQuery(faultsQuery(asked));
  if (!signs.data)
    return (
      <Asking error={signs.error}>
        <PageHead title="What went wrong?" />
      </Asking>
    );
  const any = (asked.seen?.length ?? 0) > 0 || tones !== null;
  const faults = any ? told.data : undefined;
  return (
    <>
      <PageHead title={faults?.text ?? "What went wrong with the plate?"} />
      <p className="note">
        {faults
          ? faults.sure
            ? ""
            : "Not sure yet: the next test below tells them apart. "
          : "Tick what you see on the plate or its proof. Each tick changes the answer. "}
        <Link className="font-semibold underline" to={`/r/${room}/exposure`}>
          Back to the exposure
        </Link>
      </p>
      <Trouble error={told.error} />
      <Beside side="wide" className="mt-3">
        <div className="min-w-0">
          <Signs signs={signs.data} said={said} say={setSaid} />
          <Tones take={setTones} />
        </div>
        <div className="min-w-0" aria-live="polite">
          {faults ? <Causes faults={faults} signs={signs.data} /> : null}
        </div>
      </Beside>
    </>
  );
}

const keysOf = (said: Said, how: "seen" | "not") =>
  Object.entries(said)
    .filter(([, each]) => each === how)
    .map(([key]) => key) as NonNullable<FaultsAsked["seen"]>;
