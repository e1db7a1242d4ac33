import { useMutation, useQueryClient } from "@tanstack/react-query";
import { chooseCurve, type Plan } from "../../../api/plans";
import { useHere } from "../../../frame/useHere";
import { TextButton } from "../../../ui/Button";
import { counted } from "../../../ui/numbers";
import { roman } from "../../../ui/times";
import { useSay } from "../../../ui/Toast";
import { Trouble } from "../../../ui/Trouble";

/** The plate's own curve: which proof moved the strip's, and a way back to the strip alone. */
export function OwnCurve({ plan, kept }: { plan: Plan; kept: Plan }) {
  const { room } = useHere();
  const client = useQueryClient();
  const say = useSay();
  const choose = useMutation({
    mutationFn: (own: boolean) =>
      chooseCurve(room, plan.plate, { part: plan.part, version: kept.version, own }),
    onSuccess: (next) => {
      client.invalidateQueries({ queryKey: [room] });
      const by = next.own_curve?.used ? "this plate’s own proofs" : `${next.strip_name} alone`;
      say({ text: `Planned by ${by}.` });
    },
  });
  const own = plan.own_curve;
  if (!own) return null;
  const read = `${counted(own.readings, "tone")} read up to State ${roman(own.state_number)}`;
  return (
    <p className="note">
      {own.used
        ? `${plan.strip_name}, moved by ${read} of this plate.`
        : `${plan.strip_name} alone; ${read} of this plate are put aside.`}{" "}
      <TextButton disabled={choose.isPending} onClick={() => choose.mutate(!own.used)}>
        {own.used ? "Use the strip alone" : "Use the plate’s own tones"}
      </TextButton>
      <Trouble error={choose.error} />
    </p>
  );
}
