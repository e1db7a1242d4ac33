import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useNavigate } from "react-router";
import { bathsQuery } from "../../../api/baths";
import { readGuessQuery } from "../../../api/calc";
import { sessionQuery } from "../../../api/session";
import { openDemo } from "../../../frame/enter";
import { useHere } from "../../../frame/useHere";
import { Button, ButtonLink } from "../../../ui/Button";
import { Mark, type MarkName } from "../../../ui/Mark";
import { Section } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { GuessCurve } from "./GuessCurve";
import { GuessedSlip } from "./GuessedSlip";

/** A first strip doubles its times. */
const DOUBLING = [30, 60, 120, 240, 480, 960];
const LINE = Array.from({ length: 25 }, (_, n) => 15 * 64 ** (n / 24));
const MIDDLE_LSTAR = 50;
const STEPS: [MarkName, string, string][] = [
  ["rosin", "dust and fuse", "25 min"],
  ["bath", "bite, in six dips", "17 min"],
  ["proof", "print, dry, scan", "20 min"],
];

/** No strip hangs here yet: how wide every guess is, and the strip that ends it. */
export function NoStrip() {
  const { room } = useHere();
  return (
    <>
      <h1>No strip on the wall yet.</h1>
      <p className="mt-2 max-w-195 text-lead">
        Without one, every bite time here is a guess: the same grey could take twice as long in your
        bath. One scrap of your metal, six patches and about an hour turn the guess into your own
        curve.
      </p>
      <Guessed />
      <p className="mt-5 flex flex-wrap items-center gap-4">
        <ButtonLink look="strong" to={`/r/${room}/strips/bite`}>
          Make this strip
        </ButtonLink>
        <span className="note">Needs a scrap of the metal with the ground you mean to use.</span>
      </p>
      <Section className="grid grid-cols-3 gap-x-8 gap-y-5 max-desk:grid-cols-1">
        <Way title="You have a printed strip">
          <p>Scan it with a finger’s width of bare paper all round, and say the times.</p>
          <ButtonLink to={`/r/${room}/strips/new`}>Read a strip</ButtonLink>
        </Way>
        <Way title="You have its numbers">
          <p>Three patches are the least. A file from a densitometer is read as it is.</p>
          <ButtonLink to={`/r/${room}/strips/new`}>Type or open them</ButtonLink>
        </Way>
        <LookFirst />
      </Section>
    </>
  );
}

/** The strip to make and the guess it ends, in the room's first bath if it has one. */
function Guessed() {
  const { room } = useHere();
  const baths = useQuery(bathsQuery(room)).data;
  const bath = baths?.items.find((each) => !each.retired);
  const { data } = useQuery(
    readGuessQuery({
      mordant: bath?.mordant ?? "copper-ferric",
      temperature_c: bath?.temperature_c ?? 20,
      seconds: [...DOUBLING, ...LINE],
      lstar: [MIDDLE_LSTAR],
    }),
  );
  if (!data) return <div className="min-h-75" />;
  const [asked, ...points] = data.points;
  return (
    <div className="mt-6 grid grid-cols-[minmax(0,640px)_minmax(0,372px)] items-start gap-x-10 gap-y-5 max-desk:grid-cols-1">
      <div>
        <GuessedSlip patches={points.slice(0, DOUBLING.length)} />
        <ol className="mt-4 flex flex-wrap gap-x-10 gap-y-3">
          {STEPS.map(([mark, what, long]) => (
            <li key={what} className="flex items-start gap-3 [&_svg]:size-6">
              <Mark name={mark} />
              <span>
                <b>{what}</b>
                <span className="note block">{long}, about</span>
              </span>
            </li>
          ))}
        </ol>
      </div>
      <GuessCurve line={points.slice(DOUBLING.length)} asked={asked} />
    </div>
  );
}

function LookFirst() {
  const navigate = useNavigate();
  const client = useQueryClient();
  const demo = useQuery(sessionQuery).data?.demo ?? false;
  const look = useMutation({
    mutationFn: () => openDemo(client),
    onSuccess: () => navigate("/"),
  });
  if (!demo) return null;
  return (
    <Way title="You want to look first">
      <p>The demo room has six strips, one of them with a bad patch.</p>
      <Button look="quiet" disabled={look.isPending} onClick={() => look.mutate()}>
        Open the demo room
      </Button>
      <Trouble error={look.error} />
    </Way>
  );
}

const Way = ({ title, children }: { title: string; children: ReactNode }) => (
  <article className="grid content-start justify-items-start gap-2.5">
    <h2 className="text-h3">{title}</h2>
    {children}
  </article>
);
