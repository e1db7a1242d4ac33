import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useNavigate } from "react-router";
import { sessionQuery } from "../../../api/session";
import { LaterPlaces } from "../../../figures/first/LaterPlaces";
import { OnTheBench } from "../../../figures/first/OnTheBench";
import { openDemo } from "../../../frame/enter";
import { useHere } from "../../../frame/useHere";
import { Button, ButtonLink } from "../../../ui/Button";
import { Key } from "../../../ui/Key";
import { Section } from "../../../ui/Section";
import { Trouble } from "../../../ui/Trouble";
import { useKeys } from "../../../ui/useKeys";
import { FIRST } from "./first";

/** An empty room: what there is in front of one, in the order it is needed. */
export function FirstDay() {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const { data: session } = useQuery(sessionQuery);
  const look = useMutation({
    mutationFn: () => openDemo(client),
    onSuccess: () => navigate("/"),
  });
  const demo = session?.demo ?? false;
  useKeys({
    ...Object.fromEntries(
      FIRST.map(({ to }, n) => [String(n + 1), () => navigate(`/r/${room}/${to}`)]),
    ),
    "4": () => demo && look.mutate(),
  });
  return (
    <>
      <div className="flex min-h-15 flex-wrap items-baseline gap-x-5">
        <h1 className="text-show max-phone:text-h1">What do you have in front of you?</h1>
        <span className="note">A bath comes first, then a strip, then the plate.</span>
      </div>
      <div className="mt-7 grid grid-cols-4 max-desk:grid-cols-2 max-desk:gap-y-6 max-phone:grid-cols-1">
        {FIRST.map((each, n) => (
          <Standing key={each.what} thing={each.what} title={each.title} why={each.why}>
            <ButtonLink look={n === 0 ? "strong" : "plain"} to={`/r/${room}/${each.to}`}>
              {each.act} <Key>{String(n + 1)}</Key>
            </ButtonLink>
            <span className="note">{each.long}</span>
          </Standing>
        ))}
        <Standing
          thing="window"
          title="Nothing yet"
          why="A made-up room with ten plates, three baths and six strips. Touch anything; sign in again to come back."
        >
          {demo ? (
            <Button disabled={look.isPending} onClick={() => look.mutate()}>
              Go in and look <Key>4</Key>
            </Button>
          ) : (
            <span className="note">It opens on the machine that serves Keen Bite.</span>
          )}
        </Standing>
      </div>
      <Trouble error={look.error} />
      <Section>
        <h2 className="mb-3 text-h3">These places fill when a plate asks for them</h2>
        <LaterPlaces />
      </Section>
    </>
  );
}

type Props = {
  thing: Parameters<typeof OnTheBench>[0]["thing"];
  title: string;
  why: string;
  children: ReactNode;
};

function Standing({ thing, title, why, children }: Props) {
  return (
    <article className="grid grid-rows-[auto_14px_1fr] [&+article>div:last-child]:border-l max-desk:[&+article>div:last-child]:border-l-0">
      <div className="flex h-50 items-end px-4">
        <OnTheBench thing={thing} />
      </div>
      <div className="border-t-3 border-b border-ink bg-paper-edge" />
      <div className="mt-3.5 grid content-start gap-2 border-hair px-4 max-phone:px-0 [article:first-child_&]:pl-0">
        <h2>{title}</h2>
        <p className="min-h-17 text-ink-2 max-phone:min-h-0">{why}</p>
        <p className="flex flex-wrap items-center gap-3">{children}</p>
      </div>
    </article>
  );
}
