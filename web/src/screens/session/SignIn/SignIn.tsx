import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Navigate, useLocation } from "react-router";
import type { Shapes } from "../../../api/client";
import { sessionQuery } from "../../../api/session";
import { enter, openDemo } from "../../../frame/enter";
import { Button } from "../../../ui/Button";
import { Care } from "../../../ui/Care";
import { TextField } from "../../../ui/form/Fields";
import { shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";

const SHAPE = shapeOf("SignIn", { sign_in: text("Sign-in name"), password: text("Password") });

/** Sign in; on the machine that serves it, the demo print room is one press away. */
export function SignIn() {
  const client = useQueryClient();
  const from = (useLocation().state as { from?: string } | null)?.from ?? "/";
  const { data, isPlaceholderData } = useQuery(sessionQuery);
  const form = useForm<Shapes["SignIn"], void>(SHAPE, {
    start: { sign_in: "", password: "" },
    send: (given) => enter(client, given),
  });
  if (data?.me && !isPlaceholderData) return <Navigate to={from} replace />;
  return (
    <main className="grid min-h-screen place-items-center p-6">
      <div className="w-[min(760px,100%)]">
        <h1 className="text-show">Keen Bite</h1>
        <p className="mt-1.5 mb-5.5 text-lead text-ink-2">
          From a test strip to a proofed state: the times, the tones, the record.
        </p>
        <form noValidate onSubmit={form.submit} className="plate-mark grid gap-3.5 px-7 py-6">
          <div className="grid grid-cols-[1fr_1fr_auto] items-start gap-4.5 max-phone:grid-cols-1">
            <TextField form={form} name="sign_in" autoComplete="username" />
            <TextField
              form={form}
              name="password"
              type="password"
              autoComplete="current-password"
            />
            <Button
              type="submit"
              look="strong"
              className="mt-6 max-phone:mt-0"
              disabled={form.busy}
            >
              Sign in
            </Button>
          </div>
          {form.trouble ? <Care role="alert">{form.trouble}</Care> : null}
          <p className="note">
            No password, or a new member? A keeper of your print room hands you a link.
          </p>
        </form>
        {data?.demo ? (
          <div className="mt-6 flex flex-wrap items-center gap-4.5">
            <Button disabled={form.busy} onClick={() => form.act(() => openDemo(client))}>
              Open the demo print room
            </Button>
            <span className="note">
              Lantern Quay: ten made-up plates, one of them in the bath. Only on this machine.
            </span>
          </div>
        ) : null}
      </div>
    </main>
  );
}
