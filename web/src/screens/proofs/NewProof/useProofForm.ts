import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiError } from "../../../api/client";
import type { PlanArea } from "../../../api/plans";
import type { Plate } from "../../../api/plates";
import { logProof, type Proof, sendPicture } from "../../../api/proofs";
import { newId } from "../../../device/ids";
import { useHere } from "../../../frame/useHere";
import { useForm } from "../../../ui/form/useForm";
import { useDrop } from "../../../ui/form/useKept";
import { type ReadOff, scanKept } from "./readOff";
import { firstProof, PROOF_SHAPE, type ProofRead, proofIn } from "./proof";

type Picked = { id: string; file: File };
export type PictureHeld = {
  picked: File | null;
  pick: (file: File) => void;
  fault: string;
  /** The scan that was read is the proof's picture, unless another is chosen. */
  scan: ReadOff | null;
  take: (read: ReadOff) => void;
};

/** The proof as a form, its picture beside it: the picture goes first, then what names it. */
export function useProofForm(plate: Plate, areas: PlanArea[]) {
  const { room } = useHere();
  const navigate = useNavigate();
  const client = useQueryClient();
  const [picked, setPicked] = useState<Picked | null>(null);
  const [fault, setFault] = useState("");
  const drop = useDrop();
  const [scan, setScan] = useState<ReadOff | null>(null);
  const send = async (read: ProofRead, id: string) => {
    setFault("");
    if (picked) await sendPicture(room, picked.id, picked.file).catch(refused);
    const own = { id, plate: plate.id, picture: picked?.id ?? scan?.picture ?? null };
    return logProof(room, proofIn(read, own, scan));
  };
  const refused = (error: unknown): never => {
    if (error instanceof ApiError && error.fault.field === "file") setFault(error.fault.text);
    throw error;
  };
  const form = useForm<ProofRead, Proof>(PROOF_SHAPE, {
    keepAs: `${room} proof ${plate.id}`,
    start: firstProof(areas),
    send: (read, { id }) => send(read, id),
    done: async () => {
      drop(scanKept(room, plate.id));
      await client.invalidateQueries({ queryKey: [room] });
      navigate(`/r/${room}/plates/${plate.id}/proofs`);
    },
  });
  const picture: PictureHeld = {
    picked: picked?.file ?? null,
    pick: (file) => setPicked({ id: newId(), file }),
    fault,
    scan,
    take: setScan,
  };
  return { form, picture };
}
