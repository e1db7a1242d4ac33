import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { keepPin, type Pin, pinsQuery, type Proof } from "../../../api/proofs";
import { newId } from "../../../device/ids";
import { usePlate } from "../../../frame/PlateFrame";
import { useHere } from "../../../frame/useHere";
import { useSay } from "../../../ui/Toast";

export type Kind = Pin["kind"];
export type Draft = {
  id: string;
  /** 0 for a new one. */
  version: number;
  proof: string;
  x_mm: number;
  y_mm: number;
  kind: Kind;
  text: string;
};

/** The pins of a plate as they stand at one of its states, and the one that is being set. */
export function usePins(proof: Proof) {
  const { room } = useHere();
  const { plate } = usePlate();
  const client = useQueryClient();
  const say = useSay();
  const [draft, setDraft] = useState<Draft | null>(null);
  const query = pinsQuery(room, plate.id);
  const all = useQuery(query).data?.items ?? [];
  const shown = all.filter((pin) => stands(pin, proof));
  const keep = useMutation({
    mutationFn: (pin: Parameters<typeof keepPin>[1]) => keepPin(room, pin),
    onSuccess: () => client.invalidateQueries({ queryKey: query.queryKey }),
  });
  const begin = () =>
    setDraft({
      id: newId(),
      version: 0,
      proof: proof.id,
      x_mm: plate.width_mm / 2,
      y_mm: plate.height_mm / 2,
      kind: "darker",
      text: "",
    });
  const save = async () => {
    if (!draft) return;
    await keep.mutateAsync({ ...draft, done: false, withdrawn: false });
    setDraft(null);
  };
  const change = (pin: Pin) => setDraft(bare(pin));
  const takeAway = async (draft: Draft) => {
    const gone = { ...draft, done: false, withdrawn: true };
    const next = await keep.mutateAsync(gone);
    setDraft(null);
    say({
      text: "A pin is taken away.",
      undo: () => keep.mutate({ ...gone, version: next.version, withdrawn: false }),
    });
  };
  const tick = async (pin: Pin, done: boolean) => {
    const next = await keep.mutateAsync({ ...bare(pin), done });
    if (done)
      say({ text: "A pin is done.", undo: () => keep.mutate({ ...bare(next), done: false }) });
  };
  return { plate, shown, draft, setDraft, begin, change, takeAway, save, tick, keep };
}

/** A pin is answered from the state on that did it. */
export const answered = (pin: Pin, proof: Proof) =>
  pin.done_in_state !== null && pin.done_in_state <= proof.state_number;

/** A pin is carried from its state on, until a state answers it; that one shows it ticked. */
const stands = (pin: Pin, proof: Proof) =>
  pin.state_number <= proof.state_number &&
  (pin.done_in_state === null || pin.done_in_state >= proof.state_number);

const bare = ({ id, version, proof, kind, text, x_mm, y_mm, done }: Pin) => ({
  id,
  version,
  proof,
  kind,
  text,
  x_mm,
  y_mm,
  done,
  withdrawn: false,
});

export type Pinning = ReturnType<typeof usePins>;
