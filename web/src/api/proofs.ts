import { queryOptions } from "@tanstack/react-query";
import { cookie, data, errorOf, http, type Shapes } from "./client";
import { keepPageOf, pageAsked } from "./pages";

export type Proof = Shapes["ProofOut"];
export type Picture = Shapes["PictureOut"];

export const proofsQuery = (room: string, plate: string, page = 1) =>
  queryOptions({
    queryKey: [room, "proofs", plate, { page }],
    queryFn: () =>
      data(
        http.GET("/api/rooms/{room}/proofs", {
          params: { path: { room }, query: { plate, page: pageAsked(page) } },
        }),
      ),
    placeholderData: keepPageOf(plate),
  });

export const logProof = (room: string, body: Shapes["ProofIn"]) =>
  data(http.POST("/api/rooms/{room}/proofs", { params: { path: { room } }, body }));

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
