import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate, useParams } from "react-router";
import type { Shapes } from "../../../api/client";
import { linkQuery, useLink as sendLink } from "../../../api/rooms";
import { TextField } from "../../../ui/form/Fields";
import { FormFoot } from "../../../ui/form/FormFoot";
import { shapeOf, text } from "../../../ui/form/shape";
import { useForm } from "../../../ui/form/useForm";
import { Trouble } from "../../../ui/Trouble";

const SHAPES = {
  invite: shapeOf("LinkUse", {
    name: text("Your name, as others see it", { needed: true }),
    sign_in: text("Sign-in name", { needed: true }),
    password: text("Password"),
  }),
  reset: shapeOf("LinkUse", { password: text("Password") }),
};
const EMPTY = { name: "", sign_in: "", password: "" };
const GATE = "grid min-h-screen place-items-center p-6";

/** Use a link that a keeper handed over. */
export function UseLink() {
  const { token = "" } = useParams();
  const { data, error } = useQuery(linkQuery(token));
  if (error)
    return (
      <main className={GATE}>
        <Trouble error={error} />
      </main>
    );
  return data ? (
    <main className={GATE}>
      <LinkForm token={token} link={data} />
    </main>
  ) : null;
}

function LinkForm({ token, link }: { token: string; link: Shapes["LinkInfo"] }) {
  const client = useQueryClient();
  const navigate = useNavigate();
  const invited = link.kind === "invite";
  const form = useForm<Shapes["LinkUse"], unknown>(SHAPES[invited ? "invite" : "reset"], {
    start: EMPTY,
    send: (read) => sendLink(token, read),
    done: async () => {
      await client.invalidateQueries();
      navigate("/");
    },
  });
  return (
    <form
      noValidate
      onSubmit={form.submit}
      className="plate-mark grid w-[min(460px,100%)] gap-4 px-7 py-6"
    >
      <h1 className="text-far">
        {invited ? `Join ${link.room}` : `New password for ${link.name}`}
      </h1>
      {invited ? (
        <>
          <p className="note">You will be a {link.role}.</p>
          <TextField form={form} name="name" />
          <TextField form={form} name="sign_in" autoComplete="username" />
        </>
      ) : null}
      <TextField
        form={form}
        name="password"
        type="password"
        hint="At least 10 letters."
        autoComplete="new-password"
      />
      <FormFoot form={form} submit={invited ? "Join" : "Set it"} />
    </form>
  );
}
