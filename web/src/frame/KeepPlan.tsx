import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { ApiError } from "../api/client";
import { keepPlan, type PlanIn } from "../api/plans";
import type { Plate } from "../api/plates";
import { useSay } from "../ui/Toast";
import { Trouble } from "../ui/Trouble";
import { useHere } from "./useHere";

type Props = { plate: Plate; sent: PlanIn | null; kept: boolean };

/**
 * Keep a plan, of tones or of lines, and go back to its plate. Where somebody kept another one
 * meanwhile, that is said first, and what was typed stays; a second press puts it over theirs.
 */
export function KeepPlan({ plate, sent, kept }: Props) {
  const { room } = useHere();
  const client = useQueryClient();
  const navigate = useNavigate();
  const say = useSay();
  const [seen, setSeen] = useState<number | null>(null);
  const save = useMutation({
    mutationFn: () => {
      const plan = sent as PlanIn;
      return keepPlan(room, plate.id, { ...plan, version: seen ?? plan.version });
    },
    onError: (error) => {
      if (error instanceof ApiError && error.status === 409) setSeen(Number(error.fault.allowed));
    },
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: [room] });
      say({ text: "The plan is kept." });
      navigate(`/r/${room}/plates/${plate.id}`);
    },
  });
  return (
    <div className="flex flex-wrap items-center gap-3" style={{ margin: "16px 0" }}>
      <button
        type="button"
        className="btn strong"
        disabled={!sent || save.isPending}
        onClick={() => save.mutate()}
      >
        {kept ? "Keep the changes" : "Keep the plan"}
      </button>
      <Link className="btn quiet" to={`/r/${room}/plates/${plate.id}`}>
        Back
      </Link>
      <Trouble error={save.error} />
    </div>
  );
}
