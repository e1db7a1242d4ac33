import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { linkQuery, useLink as sendLink } from "../../../api/rooms";
import { elsewhere, faultAt } from "../../../ui/faults";
import { TextField } from "../../../ui/Field";
import { Trouble } from "../../../ui/Trouble";

/** Use a link that a keeper handed over. */
export function UseLink() {
  const { token = "" } = useParams();
  const client = useQueryClient();
  const navigate = useNavigate();
  const { data, error } = useQuery(linkQuery(token));
  const [form, setForm] = useState({ name: "", sign_in: "", password: "" });
  const use = useMutation({
    mutationFn: () => sendLink(token, form),
    onSuccess: async () => {
      await client.invalidateQueries();
      navigate("/");
    },
  });
  const set = (key: keyof typeof form) => (value: string) => setForm({ ...form, [key]: value });
  if (error)
    return (
      <main className="gate">
        <Trouble error={error} />
      </main>
    );
  if (!data) return null;
  const invited = data.kind === "invite";
  return (
    <main className="gate">
      <form
        className="pm cols"
        style={{ padding: "24px 28px", width: "min(460px,100%)", gap: 16 }}
        onSubmit={(event: FormEvent) => {
          event.preventDefault();
          use.mutate();
        }}
      >
        <h1 style={{ fontSize: 26 }}>
          {invited ? `Join ${data.room}` : `New password for ${data.name}`}
        </h1>
        {invited ? (
          <>
            <p className="note m-0">You will be a {data.role}.</p>
            <TextField
              label="Your name, as others see it"
              value={form.name}
              onChange={set("name")}
              fault={faultAt(use.error, "name")}
            />
            <TextField
              label="Sign-in name"
              value={form.sign_in}
              onChange={set("sign_in")}
              fault={faultAt(use.error, "sign_in")}
              autoComplete="username"
            />
          </>
        ) : null}
        <TextField
          label="Password"
          type="password"
          value={form.password}
          onChange={set("password")}
          fault={faultAt(use.error, "password")}
          hint="At least 10 letters."
          autoComplete="new-password"
        />
        <button type="submit" className="btn strong" disabled={use.isPending}>
          {invited ? "Join" : "Set it"}
        </button>
        <Trouble error={elsewhere(use.error, ["name", "sign_in", "password"])} />
      </form>
    </main>
  );
}
