import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { stripsQuery } from "../../../api/strips";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { counted } from "../../../ui/numbers";
import { Pages } from "../../../ui/Pages";
import { Empty, PageHead } from "../../../ui/Section";
import { Digits, Table } from "../../../ui/Table";
import { Asking } from "../../../ui/Asking";

/** All strips of the room. */
export function Strips() {
  const { room } = useHere();
  const [page, setPage] = useState(1);
  const { data, error } = useQuery(stripsQuery(room, page));
  if (!data)
    return (
      <Asking error={error}>
        <PageHead title="Strips" />
      </Asking>
    );
  const read = (
    <span className="flex flex-wrap gap-3">
      <ButtonLink look="bath" to={`/r/${room}/strips/bite`}>
        Bite a test strip
      </ButtonLink>
      <ButtonLink look="strong" to={`/r/${room}/strips/new`}>
        Read a strip
      </ButtonLink>
    </span>
  );
  if (data.items.length === 0) {
    return (
      <>
        <PageHead title="Strips" />
        <Empty title="No strip yet">
          <p>
            Times would be a guess. Bite a scrap of the same ground in 6 patches, print it, type
            what you read. About 40 minutes.
          </p>
          {read}
        </Empty>
      </>
    );
  }
  return (
    <>
      <PageHead
        title="Strips"
        note={`${counted(data.total, "strip")}: patches of known time, printed and read.`}
      >
        {read}
      </PageHead>
      <Table
        columns={[
          { head: "Strip" },
          { head: "Metal and ground" },
          { head: "Mordant", desk: true },
          { head: "Patches", right: true },
          { head: "L* reached", right: true },
        ]}
      >
        {data.items.map((strip) => (
          <tr key={strip.id}>
            <td>
              <Link
                className="font-semibold underline underline-offset-3"
                to={`/r/${room}/strips/${strip.id}`}
              >
                {strip.name}
              </Link>
              {strip.read_on ? <span className="note"> read {strip.read_on}</span> : null}
            </td>
            <td>
              {strip.metal}, {strip.ground}
            </td>
            <td className="max-phone:hidden">{strip.mordant_label}</td>
            <Digits>
              {strip.patches}
              {strip.left_out ? <span className="note"> ({strip.left_out} left out)</span> : null}
            </Digits>
            <Digits>
              {strip.usable
                ? `${strip.lightest_lstar?.toFixed(0)} to ${strip.darkest_lstar?.toFixed(0)}`
                : strip.waits || "no curve"}
            </Digits>
          </tr>
        ))}
      </Table>
      <Pages list={data} go={setPage} />
    </>
  );
}
