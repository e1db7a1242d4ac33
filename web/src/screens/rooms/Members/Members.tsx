import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { letGo, makeLink, membersQuery, setRole } from "../../../api/rooms";
import { saveUnits, sessionQuery } from "../../../api/session";
import { useHere } from "../../../frame/useHere";
import { Segments } from "../../../ui/Field";
import { Trouble } from "../../../ui/Trouble";

/** Who is in the room, links to hand over, and one's own units. */
export function Members() {
  const { room, keeper, roomName } = useHere();
  const client = useQueryClient();
  const { data } = useQuery(membersQuery(room));
  const [link, setLink] = useState("");
  const refresh = () => client.invalidateQueries({ queryKey: [room, "members"] });
  const make = useMutation({
    mutationFn: (body: Parameters<typeof makeLink>[1]) => makeLink(room, body),
    onSuccess: (made) => setLink(location.origin + made.path),
  });
  const role = useMutation({
    mutationFn: (to: { user: string; role: "keeper" | "printer" }) =>
      setRole(room, to.user, to.role),
    onSuccess: refresh,
  });
  const leave = useMutation({
    mutationFn: (user: string) => letGo(room, user),
    onSuccess: refresh,
  });
  return (
    <div style={{ maxWidth: 860 }}>
      <h1>Members of {roomName}</h1>
      <table style={{ marginTop: 14 }}>
        <thead>
          <tr>
            <th>Name</th>
            <th>Sign-in name</th>
            <th>Role</th>
            {keeper ? (
              <th>
                <span className="vh">Actions</span>
              </th>
            ) : null}
          </tr>
        </thead>
        <tbody>
          {data?.map((member) => (
            <tr key={member.user}>
              <td>
                <b>{member.name}</b>
              </td>
              <td>{member.sign_in}</td>
              <td>
                {keeper ? (
                  <Segments
                    label={`Role of ${member.name}`}
                    value={member.role as "keeper"}
                    options={[
                      ["keeper", "keeper"],
                      ["printer", "printer"],
                    ]}
                    onChange={(to) => role.mutate({ user: member.user, role: to })}
                  />
                ) : (
                  member.role
                )}
              </td>
              {keeper ? (
                <td className="right" style={{ whiteSpace: "nowrap" }}>
                  <button
                    type="button"
                    className="btn quiet"
                    onClick={() => make.mutate({ kind: "reset", user: member.user })}
                  >
                    New password
                  </button>
                  <button
                    type="button"
                    className="btn quiet"
                    onClick={() => leave.mutate(member.user)}
                  >
                    Let go
                  </button>
                </td>
              ) : null}
            </tr>
          ))}
        </tbody>
      </table>
      {keeper ? (
        <section className="section">
          <h2>Hand over a link</h2>
          <p className="note">
            No mail is sent. Give the link to the person; it works once, for three days.
          </p>
          <div className="flex flex-wrap gap-3">
            <button
              type="button"
              className="btn strong"
              onClick={() => make.mutate({ kind: "invite", role: "printer" })}
            >
              Invite a printer
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => make.mutate({ kind: "invite", role: "keeper" })}
            >
              Invite a keeper
            </button>
          </div>
          {link ? (
            <p className="field" style={{ padding: 12, wordBreak: "break-all" }}>
              <code>{link}</code>
            </p>
          ) : null}
        </section>
      ) : null}
      <Trouble error={make.error ?? role.error ?? leave.error} />
      <MyUnits />
    </div>
  );
}

function MyUnits() {
  const { me } = useHere();
  const client = useQueryClient();
  const save = useMutation({
    mutationFn: saveUnits,
    onSuccess: () => client.invalidateQueries({ queryKey: sessionQuery.queryKey }),
  });
  const units = {
    length_unit: me.length_unit as "mm",
    temperature_unit: me.temperature_unit as "C",
  };
  return (
    <section className="section">
      <h2>Your units</h2>
      <div className="flex flex-wrap gap-4" style={{ marginTop: 10 }}>
        <Segments
          label="Lengths"
          value={units.length_unit as string}
          options={[
            ["mm", "mm"],
            ["in", "inches"],
          ]}
          onChange={(length_unit) => save.mutate({ ...units, length_unit: length_unit as "mm" })}
        />
        <Segments
          label="Temperatures"
          value={units.temperature_unit as string}
          options={[
            ["C", "°C"],
            ["F", "°F"],
          ]}
          onChange={(temperature_unit) =>
            save.mutate({ ...units, temperature_unit: temperature_unit as "C" })
          }
        />
      </div>
    </section>
  );
}
