import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { Shapes } from "../../../api/client";
import { letGo, makeLink, membersQuery, setRole } from "../../../api/rooms";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Section } from "../../../ui/Section";
import { Segments } from "../../../ui/Segments";
import { Table } from "../../../ui/Table";
import { Asking } from "../../../ui/Asking";
import { Trouble } from "../../../ui/Trouble";
import { MyUnits } from "./MyUnits";
import { OpenLinks } from "./OpenLinks";

type Role = "keeper" | "printer";
const ROLES = [
  ["keeper", "keeper"],
  ["printer", "printer"],
] as const;

/** Who is in the room, links to hand over, and one's own units. */
export function Members() {
  const { room, keeper, roomName } = useHere();
  const { data, error } = useQuery(membersQuery(room));
  const acts = useMemberActs();
  return (
    <div className="max-w-215">
      <h1 className="mb-3">Members of {roomName}</h1>
      <Table columns={[{ head: "Name" }, { head: "Sign-in name", desk: true }, { head: "Role" }]}>
        {data?.map((member) => (
          <Row key={member.user} member={member} acts={acts} />
        ))}
      </Table>
      {data ? null : <Asking error={error} />}
      {keeper ? <HandOver acts={acts} /> : null}
      <Trouble error={acts.error} />
      <MyUnits />
    </div>
  );
}

type Acts = ReturnType<typeof useMemberActs>;

function useMemberActs() {
  const { room } = useHere();
  const client = useQueryClient();
  const [link, setLink] = useState("");
  const refresh = () => client.invalidateQueries({ queryKey: [room, "members"] });
  const make = useMutation({
    mutationFn: (body: Shapes["LinkIn"]) => makeLink(room, body),
    onSuccess: (made) => {
      setLink(location.origin + made.path);
      client.invalidateQueries({ queryKey: [room, "links"] });
    },
  });
  const role = useMutation({
    mutationFn: (to: { user: string; role: Role }) => setRole(room, to.user, to.role),
    onSuccess: refresh,
  });
  const leave = useMutation({
    mutationFn: (user: string) => letGo(room, user),
    onSuccess: refresh,
  });
  return {
    link,
    make: make.mutate,
    role: role.mutate,
    letGo: leave.mutate,
    error: make.error ?? role.error ?? leave.error,
  };
}

function Row({ member, acts }: { member: Shapes["MemberOut"]; acts: Acts }) {
  const { keeper } = useHere();
  const { user, name, sign_in, role } = member;
  return (
    <tr className="[&>td]:align-middle">
      <td>
        <b>{name}</b>
        <span className="note hidden max-phone:block">{sign_in}</span>
      </td>
      <td className="max-phone:hidden">{sign_in}</td>
      <td>
        {keeper ? (
          <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
            <Segments
              label={`Role of ${name}`}
              value={role as Role}
              options={ROLES}
              onChange={(to) => acts.role({ user, role: to })}
            />
            <Button look="quiet" onClick={() => acts.make({ kind: "reset", user })}>
              New password
            </Button>
            <Button look="quiet" onClick={() => acts.letGo(user)}>
              Let go
            </Button>
          </span>
        ) : (
          role
        )}
      </td>
    </tr>
  );
}

function HandOver({ acts }: { acts: Acts }) {
  return (
    <Section>
      <h2>Hand over a link</h2>
      <p className="note mt-1 mb-2.5">
        No mail is sent. Give the link to the person; it works once, for three days.
      </p>
      <div className="flex flex-wrap gap-3">
        <Button look="strong" onClick={() => acts.make({ kind: "invite", role: "printer" })}>
          Invite a printer
        </Button>
        <Button onClick={() => acts.make({ kind: "invite", role: "keeper" })}>
          Invite a keeper
        </Button>
      </div>
      {acts.link ? (
        <p className="mt-3 border-[1.5px] border-ink bg-white p-3 font-mono break-all">
          <code>{acts.link}</code>
        </p>
      ) : null}
      <OpenLinks />
    </Section>
  );
}
