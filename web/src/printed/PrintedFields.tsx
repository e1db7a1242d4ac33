import { useQuery } from "@tanstack/react-query";
import { suppliesQuery, type Supply } from "../api/shopbook";
import { useHere } from "../frame/useHere";
import { ComboField } from "../ui/form/Fields";
import { text } from "../ui/form/shape";
import type { Form } from "../ui/form/useForm";

const WIPES = ["gauze, then paper", "gauze, then hand", "gauze, paper, chalked hand", "cloth"];

/** The columns of what was printed with, for the shape of a form. */
export const printedFields = { paper: text("Paper"), ink: text("Ink"), wipe: text("Wipe") };

export type PrintedRead = { paper: string; ink: string; wipe: string };
export const NOT_SAID: PrintedRead = { paper: "", ink: "", wipe: "" };

/** What a proof or a strip says of it. */
export const saidOf = ({ paper, ink, wipe }: PrintedRead): PrintedRead => ({ paper, ink, wipe });

/** Paper, ink and wipe: the room's own are offered, a new name is put into its shop book. */
export function PrintedFields({ form }: { form: Form }) {
  const { room } = useHere();
  const { data } = useQuery(suppliesQuery(room));
  const names = (kind: Supply["kind"]) =>
    (data?.items ?? []).flatMap((each) =>
      each.kind === kind && !each.put_away ? [each.name] : [],
    );
  return (
    <>
      <ComboField form={form} name="paper" offered={names("paper")} />
      <ComboField form={form} name="ink" offered={names("ink")} />
      <ComboField form={form} name="wipe" offered={[...new Set([...names("wipe"), ...WIPES])]} />
    </>
  );
}
