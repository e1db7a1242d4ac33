import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Navigate, useLocation } from "react-router";
import { sessionQuery, signIn } from "../../../api/session";
import { flushAll } from "../../../device/useRun";
import { TextField } from "../../../ui/Field";
import { Trouble } from "../../../ui/Trouble";

const DEMO = { sign_in: "keeper@lantern-quay", password: "lantern-quay" };

/** Sign in; on the machine that serves it, the demo print room is one press away. */
export function SignIn() {
  const client = useQueryClient();
  const from = (useLocation().state as { from?: string } | null)?.from ?? "/";
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const { data } = useQuery(sessionQuery);
  const enter = useMutation({
    mutationFn: signIn,
    onSuccess: (session) => {
      client.setQueryData(sessionQuery.queryKey, session);
      localStorage.setItem("keen-me", JSON.stringify(session));
      if (session.me) flushAll(session.me.id);
    },
  });
  if (data?.me) return <Navigate to={from} replace />;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    enter.mutate({ sign_in: name, password });
  };
  return (
    <main className="gate">
      <div style={{ width: "min(760px, 100%)" }}>
        <h1 style={{ fontSize: 44 }}>Keen Bite</h1>
        <p style={{ fontSize: 17, margin: "6px 0 22px", color: "var(--ink-2)" }}>
          From a test strip to a proofed state: the times, the tones, the record.
        </p>
        <div className="pm" style={{ padding: "24px 28px" }}>
          <form onSubmit={submit} className="signin">
            <TextField
              label="Sign-in name"
              value={name}
              onChange={setName}
              autoComplete="username"
            />
            <TextField
              label="Password"
              type="password"
              value={password}
              onChange={setPassword}
              autoComplete="current-password"
            />
            <button
              type="submit"
              className="btn strong"
              disabled={enter.isPending || !name || !password}
            >
              Sign in
            </button>
          </form>
          <div style={{ marginTop: 14 }}>
            <Trouble error={enter.error} />
            <p className="note" style={{ margin: "8px 0 0" }}>
              No password, or a new member? A keeper of your print room hands you a link.
            </p>
          </div>
        </div>
        {data?.demo ? (
          <div
            style={{
              marginTop: 24,
              display: "flex",
              gap: 18,
              alignItems: "center",
              flexWrap: "wrap",
            }}
          >
            <button type="button" className="btn" onClick={() => enter.mutate(DEMO)}>
              Open the demo print room
            </button>
            <span className="note">
              Lantern Quay: six made-up plates, one of them in the bath. Only on this machine.
            </span>
          </div>
        ) : null}
      </div>
    </main>
  );
}
