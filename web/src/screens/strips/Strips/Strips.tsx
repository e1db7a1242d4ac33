import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { type WallStrip, wallQuery } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { Asking } from "../../../ui/Asking";
import { ButtonLink } from "../../../ui/Button";
import { Pages } from "../../../ui/Pages";
import { PageHead } from "../../../ui/Section";
import { Segments } from "../../../ui/Segments";
import { Compared } from "./Compared";
import { Hung } from "./Hung";
import { NoStrip } from "./NoStrip";
import { lastSeconds } from "./SmallCurve";
import { useWall } from "./useWall";

/** The strips' wall: which one to trust for each ground, and whether two agree. */
export function Strips() {
  const { room } = useHere();
  const [page, setPage] = useState(1);
  const { data, error } = useQuery(wallQuery(room, page));
  if (!data)
    return (
      <Asking error={error}>
        <PageHead title="Strips" />
      </Asking>
    );
  if (data.items.length === 0) return <NoStrip />;
  return (
    <>
      <Wall strips={data.items} />
      <Pages list={data} go={setPage} />
    </>
  );
}

function Wall({ strips }: { strips: WallStrip[] }) {
  const [metal, setMetal] = useState("");
  const shown = metal ? strips.filter((strip) => strip.metal === metal) : strips;
  const wall = useWall(shown);
  const [first, second] = wall.two;
  const last = lastSeconds(strips);
  return (
    <>
      <PageHead title={<Answer strips={shown} />}>
        <ToDo />
      </PageHead>
      <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-2">
        <Metals strips={strips} metal={metal} choose={setMetal} />
        <span className="note ml-auto">
          Curves: L* 98 at the top, 10 at the foot. Choose two slips to compare them.
        </span>
      </div>
      <div className="mt-2 grid items-start gap-x-7 gap-y-5 desk:grid-cols-[minmax(0,716fr)_minmax(0,316fr)]">
        <ul className="grid">
          {shown.map((strip, place) => (
            <Hung
              key={strip.id}
              strip={strip}
              last={last}
              begins={place > 0 && !isOfOne(strip, shown[place - 1])}
              picked={wall.placeOf(strip)}
              current={wall.current?.id === strip.id}
              pick={() => wall.pick(strip.id)}
            />
          ))}
        </ul>
        {first && second ? (
          <Compared first={first} second={second} bath={wall.bath} setBath={wall.setBath} />
        ) : (
          <aside className="note border-t-2 border-ink pt-2.5">
            Choose two strips of one mordant by their slips: do they agree on the same bath?
          </aside>
        )}
      </div>
    </>
  );
}

/** Strips of one ground and mordant hang together; what does not count hangs apart. */
const isOfOne = (one: WallStrip, other?: WallStrip) =>
  one.ground === other?.ground &&
  one.mordant === other.mordant &&
  (one.out_reason === "") === (other.out_reason === "");

function Answer({ strips }: { strips: WallStrip[] }) {
  const [first] = strips.filter((strip) => strip.leads);
  if (!first) return "No strip gives a curve yet.";
  return (
    <>
      For {first.ground} on {first.metal}, trust <b>{first.name}</b>.
    </>
  );
}

function ToDo() {
  const { room } = useHere();
  return (
    <>
      <ButtonLink to={`/r/${room}/strips/new`}>Read a strip</ButtonLink>
      <ButtonLink look="strong" to={`/r/${room}/strips/bite`}>
        Bite a test strip
      </ButtonLink>
    </>
  );
}

type MetalsProps = { strips: WallStrip[]; metal: string; choose: (metal: string) => void };

function Metals({ strips, metal, choose }: MetalsProps) {
  const metals = [...new Set(strips.map((strip) => strip.metal))].sort();
  if (metals.length < 2) return null;
  const many = (of: string) => strips.filter((strip) => strip.metal === of).length;
  const options = [
    ["", `All ${strips.length}`] as const,
    ...metals.map((each) => [each, `${each} ${many(each)}`] as const),
  ];
  return <Segments label="Metal" value={metal} options={options} onChange={choose} />;
}
