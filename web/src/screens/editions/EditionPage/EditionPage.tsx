import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { type Edition, editionCsvUrl, editionQuery } from "../../../api/editions";
import { usePress } from "../../../device/usePress";
import { EditionLine } from "../../../figures/edition/EditionLine";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { useFollowed } from "../../../frame/useKeepMarks";
import { Asking } from "../../../ui/Asking";
import { ButtonLink, buttonLook } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { Key } from "../../../ui/Key";
import { Section } from "../../../ui/Section";
import { dayOf } from "../../../ui/times";
import { useKeys } from "../../../ui/useKeys";
import { Begin } from "./Begin";
import { Cancel } from "./Cancel";
import { Dry } from "./Dry";
import { Rows } from "./Rows";
import { Under } from "./Under";

/** Which impression will no longer match the OK; each with its number; what is still needed. */
export function EditionPage() {
  const { room, me } = useHere();
  const { plate } = usePlate();
  const [after, ask] = useState<number | null>(null);
  const seen = usePress(me.id, room, plate.id);
  const { data, error } = useQuery(editionQuery(room, plate.id, after));
  useFollowed(seen.press?.events.length ?? 0);
  if (!data || !seen.press)
    return (
      <Asking error={error ?? seen.error}>
        <h2>Edition</h2>
      </Asking>
    );
  return <Known edition={data} seen={seen} after={after} ask={ask} />;
}

type Props = {
  edition: Edition;
  seen: ReturnType<typeof usePress>;
  after: number | null;
  ask: (after: number | null) => void;
};

function Known({ edition, seen, after, ask }: Props) {
  const { room, zone } = useHere();
  const navigate = useNavigate();
  const here = `/r/${room}/plates/${edition.plate}`;
  const [chosen, choose] = useState<string | null>(null);
  const waits = seen.waiting.filter((each) => each.event.kind === "signed").length;
  const go = (by: number) => {
    const at = edition.rows.findIndex((each) => each.pull === chosen);
    const next =
      edition.rows[
        Math.max(0, Math.min(edition.rows.length - 1, at < 0 ? edition.rows.length - 1 : at + by))
      ];
    if (next) choose(next.pull);
  };
  const last = edition.rows.length;
  useKeys({
    ArrowLeft: () => go(-1),
    ArrowRight: () => go(1),
    w: () => edition.by_needle && last > 0 && ask(after === null ? last : null),
    c: () => navigate(`${here}/certificate`),
    p: () => navigate(`${here}/pull`),
  });
  return (
    <>
      <header className="flex min-h-14 flex-wrap items-center gap-x-4 gap-y-2">
        <h2 className="text-h1 max-phone:text-h2">
          {edition.sentence}{" "}
          {edition.range_text ? (
            <small className="font-text text-h3 font-normal text-ink-2">
              ({edition.range_text})
            </small>
          ) : null}
        </h2>
        <span className="ml-auto flex flex-wrap items-center gap-3">
          {edition.version > 0 ? (
            <ButtonLink look="quiet" to={`${here}/certificate`}>
              Certificate
            </ButtonLink>
          ) : null}
          {edition.cancelled_at === null ? (
            <ButtonLink look={edition.version > 0 ? "strong" : "plain"} to={`${here}/pull`}>
              {edition.next_number ? `Pull no. ${edition.next_number}` : "To the press"}{" "}
              <Key>P</Key>
            </ButtonLink>
          ) : null}
        </span>
      </header>
      <p className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <span>{counted(edition)}</span>
        {edition.ok?.condition ? (
          <i className="border-b border-ink font-slab text-lead">
            OK to print, if {edition.ok.condition}. {dayOf(edition.ok.at, zone)}
          </i>
        ) : edition.ok ? (
          <i className="font-slab text-lead">OK to print, {dayOf(edition.ok.at, zone)}</i>
        ) : (
          <Care>Nothing is OK to print yet: decide it on a proof.</Care>
        )}
      </p>
      {edition.cancelled_at ? (
        <Care className="mt-1">
          The plate was cancelled on {dayOf(edition.cancelled_at, zone)}: {edition.cancelled_how}.
        </Care>
      ) : null}
      {waits > 0 ? (
        <Care className="mt-1">
          {waits} signed on this device, number to come: it is given when there is a line.
        </Care>
      ) : null}
      {edition.rows.length > 0 || edition.version > 0 ? (
        <div className="mt-3">
          <EditionLine edition={edition} zone={zone} chosen={chosen} choose={choose} />
          <p className="note">
            Crossed: spoiled, it wears the plate as well. Waves: still damp. Dots: read from each
            sheet. Hatched: past the tolerance. Amber: where the answer lies, 95 %.
          </p>
        </div>
      ) : null}
      {edition.version === 0 ? (
        <Begin edition={edition} />
      ) : (
        <Under edition={edition} seen={seen} after={after} ask={ask} />
      )}
      {edition.rows.length > 0 ? (
        <Section>
          <span className="flex items-baseline gap-3">
            <h2 className="mr-auto text-h3">Impressions</h2>
            <a className={buttonLook("row")} href={editionCsvUrl(room, edition.plate)} download>
              Save as CSV
            </a>
          </span>
          {seen.press ? <Dry edition={edition} press={seen.press} log={seen.log} /> : null}
          <Rows edition={edition} log={seen.log} chosen={chosen} choose={choose} />
        </Section>
      ) : null}
      {edition.version > 0 ? (
        <Section>
          <div className="grid grid-cols-2 items-start gap-7 max-desk:grid-cols-1">
            <Begin edition={edition} />
            <Cancel edition={edition} />
          </div>
        </Section>
      ) : null}
    </>
  );
}

/** "edition of 20: 11 done, 2 spoiled, 2 artist's proofs, 16 pulls." */
function counted(edition: Edition): string {
  if (edition.version === 0)
    return edition.rows.length > 0 ? `${pulls(edition.rows.length)} so far.` : "";
  const said = [
    `${edition.done} done`,
    edition.to_come > 0 ? `${edition.to_come} with a number to come` : "",
    edition.spoiled > 0 ? `${edition.spoiled} spoiled` : "",
    edition.artist_done > 0
      ? `${edition.artist_done} artist's proof${edition.artist_done > 1 ? "s" : ""}`
      : "",
    edition.printer_done > 0
      ? `${edition.printer_done} printer's proof${edition.printer_done > 1 ? "s" : ""}`
      : "",
    pulls(edition.rows.length),
  ];
  return `Edition of ${edition.size}: ${said.filter(Boolean).join(", ")}.`;
}

const pulls = (count: number) => `${count} ${count === 1 ? "pull" : "pulls"}`;
