import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { plateQuery } from "../../../api/plates";
import { pictureUrl, type Proof, proofsQuery } from "../../../api/proofs";
import { useHere } from "../../../frame/useHere";
import { dayOf, roman } from "../../../ui/times";
import { Trouble } from "../../../ui/Trouble";
import { Tones } from "./Tones";

/** The proofs of a plate on their line, and what the chosen one asks for. */
export function Proofs() {
  const { room, zone } = useHere();
  const { plate: id = "" } = useParams();
  const plate = useQuery(plateQuery(room, id)).data;
  const { data, error } = useQuery(proofsQuery(room, id));
  const [chosen, setChosen] = useState<string | null>(null);
  if (error) return <Trouble error={error} />;
  if (!data || !plate) return <h1>Proofs</h1>;
  const proof = data.items.find((each) => each.id === chosen) ?? data.items[0];
  return (
    <>
      <header className="flex flex-wrap items-center gap-4" style={{ minHeight: 56 }}>
        <h1>Proofs</h1>
        <span className="note">{plate.name}</span>
        <span className="ml-auto flex gap-3">
          <Link className="btn quiet" to={`/r/${room}/plates/${id}`}>
            Plate page
          </Link>
          <Link className="btn strong" to={`/r/${room}/plates/${id}/proofs/new`}>
            Hang a proof
          </Link>
        </span>
      </header>
      {data.items.length === 0 ? (
        <div className="empty">
          <h2>No proof yet</h2>
          <p>
            Pull one, read its tones dry against the bare sheet. It shows how near the bites came,
            and what to do next.
          </p>
        </div>
      ) : (
        <div className="proofline">
          {data.items.map((each) => (
            <button
              type="button"
              key={each.id}
              className="hung"
              aria-pressed={each.id === proof?.id}
              onClick={() => setChosen(each.id)}
              style={{
                flex: "none",
                outline: each.id === proof?.id ? "3px solid var(--ink)" : undefined,
                outlineOffset: 2,
              }}
            >
              {each.picture ? (
                <img
                  src={pictureUrl(room, each.picture)}
                  alt={`Proof of State ${roman(each.state_number)}`}
                />
              ) : (
                <span className="note" style={{ display: "block", height: 120, padding: 14 }}>
                  no picture
                </span>
              )}
              <i>
                State {roman(each.state_number)}, {dayOf(each.pulled_at, zone)}
              </i>
            </button>
          ))}
        </div>
      )}
      {proof ? <One proof={proof} /> : null}
    </>
  );
}

function One({ proof }: { proof: Proof }) {
  const { room } = useHere();
  const facts: [string, string][] = [
    ["Paper", proof.paper],
    ["Soak", proof.soak_minutes === null ? "" : `${proof.soak_minutes} min`],
    ["Ink", proof.ink],
    ["Wipe", proof.wipe],
    ["Pressure", proof.pressure],
    ["Passes", String(proof.passes)],
  ];
  return (
    <div className={`section ${proof.picture ? "proof-cols" : ""}`}>
      <div>
        {proof.picture ? (
          <a href={`${pictureUrl(room, proof.picture)}/original`}>
            <img
              src={pictureUrl(room, proof.picture)}
              alt={`Proof of State ${roman(proof.state_number)}; opens the original`}
              style={{ width: "100%", boxShadow: "2px 3px 6px rgba(40,28,16,.28)" }}
            />
          </a>
        ) : null}
      </div>
      <div>
        <h2>
          State {roman(proof.state_number)}
          {proof.ok_to_print ? ", OK to print" : ""}
        </h2>
        <p className="note" style={{ margin: "4px 0 0" }}>
          {facts
            .filter(([, text]) => text)
            .map(([name, text]) => `${name}: ${text}`)
            .join(" · ")}
        </p>
        {proof.advice?.first ? (
          <p className="care">
            <span>{proof.advice.first}</span>
          </p>
        ) : null}
        {proof.tones.length > 0 ? (
          <Tones proof={proof} />
        ) : (
          <p>No tones were read off this proof.</p>
        )}
        {proof.note ? <p>{proof.note}</p> : null}
      </div>
    </div>
  );
}
