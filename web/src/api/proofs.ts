import { queryOptions } from "@tanstack/react-query";
import { cookie, data, dataAs, errorOf, http, type Shapes } from "./client";
import { everyPage, keepPageOf, type Paged, pageAsked } from "./pages";

export type Proof = Shapes["ProofOut"];
export type Picture = Shapes["PictureOut"];

export const proofsQuery = (room: string, plate: string, page = 1) =>
  queryOptions({
    queryKey: [room, "proofs", plate, { page }],
    queryFn: () =>
      dataAs<Paged<Proof>>(
        http.GET("/api/rooms/{room}/proofs", {
          params: { path: { room }, query: { plate, page: pageAsked(page) } },
        }),
      ),
    placeholderData: keepPageOf(plate),
  });

export const logProof = (room: string, body: Shapes["ProofIn"]) =>
  dataAs<Proof>(http.POST("/api/rooms/{room}/proofs", { params: { path: { room } }, body }));

/** A proof as it stands, with its advice. */
export const proofQuery = (room: string, proof: string) =>
  queryOptions({
    queryKey: [room, "proof", proof],
    queryFn: () =>
      dataAs<Proof>(
        http.GET("/api/rooms/{room}/proofs/{proof}", { params: { path: { room, proof } } }),
      ),
  });

/** Correct what was typed of a proof. */
export const correctProof = (room: string, proof: string, body: Shapes["ProofChange"]) =>
  dataAs<Proof>(
    http.PUT("/api/rooms/{room}/proofs/{proof}", { params: { path: { room, proof } }, body }),
  );

export const pictureUrl = (room: string, picture: string) => `/api/rooms/${room}/files/${picture}`;

/** Upload a picture with the id its maker gave it. */
export async function sendPicture(room: string, id: string, file: File): Promise<Picture> {
  const form = new FormData();
  form.append("id", id);
  form.append("file", file);
  const reply = await fetch(`/api/rooms/${room}/files`, {
    method: "POST",
    body: form,
    headers: { "X-CSRFToken": cookie("keen_csrf") },
  });
  const body = await reply.json().catch(() => null);
  if (!reply.ok) throw errorOf(reply.status, body);
  return body as Picture;
}

export type ReadProof = Shapes["ReadProofOutput"];
export type Pin = Shapes["PinOut"];
export type Change = Shapes["CompareProofsOutput"];

/** Read the areas of a stored scan of a proof; its end is waited for as a task. */
export const readProofScan = (room: string, body: Shapes["ReadProofIn"]) =>
  dataAs<Shapes["TaskOut"]>(
    http.POST("/api/rooms/{room}/proofs/scans", { params: { path: { room } }, body }),
  );

export const straightUrl = (room: string, proof: string) =>
  `/api/rooms/${room}/proofs/${proof}/straight`;

/** What changed from one proof to another. */
export const changeQuery = (room: string, left: string, proof: string) =>
  queryOptions({
    queryKey: [room, "proof", proof, "since", left],
    queryFn: () =>
      data(
        http.GET("/api/rooms/{room}/proofs/{proof}/since/{left}", {
          params: { path: { room, proof, left } },
        }),
      ),
  });

/** Every pin of a plate's proofs. */
export const pinsQuery = (room: string, plate: string) =>
  queryOptions({
    queryKey: [room, "pins", plate],
    queryFn: () =>
      everyPage((page) =>
        data(
          http.GET("/api/rooms/{room}/pins", {
            params: { path: { room }, query: { plate, page } },
          }),
        ),
      ),
  });

export const keepPin = (room: string, body: Shapes["PinIn"]) =>
  data(http.PUT("/api/rooms/{room}/pins", { params: { path: { room } }, body }));
