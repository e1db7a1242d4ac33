import { queryOptions } from "@tanstack/react-query";
import { data, dataAs, http, type Shapes } from "./client";
import type { EventIn } from "./runs";
import type { Task } from "./tasks";

export type Press = Shapes["PressOut"];
export type PullState = Shapes["PullState"];
export type Pull = PullState["pulls"][number];
export type Batch = PullState["batches"][number];
export type Patch = PullState["patches"][number];
export type PullLabel = Shapes["PullLabel"];
export type Checked = Shapes["PullCheckOutput"];
export type Edition = Shapes["EditionOut"];
export type Impression = Shapes["ImpressionRow"];
export type PaperPlan = Shapes["PaperPlanOut"];
export type Sheets = Shapes["SheetsOutput"];
export type Ink = Shapes["InkOut"];
export type PaperKind = Shapes["PaperKindOut"];
export type PressProfile = Shapes["PressProfileOut"];
export type Ok = Shapes["OkOut"];

const ofPlate = (room: string, plate: string) => ({ params: { path: { room, plate } } });

export const getPress = (room: string, plate: string): Promise<Press> =>
  dataAs(http.GET("/api/rooms/{room}/plates/{plate}/press", ofPlate(room, plate)));

export const sendPullEvents = (room: string, plate: string, events: EventIn[]): Promise<Press> =>
  dataAs(
    http.POST("/api/rooms/{room}/plates/{plate}/pulls/events", {
      ...ofPlate(room, plate),
      body: { events },
    }),
  );

export const keepPrinting = (
  room: string,
  plate: string,
  body: Shapes["PrintingIn"],
): Promise<Press> =>
  dataAs(http.PUT("/api/rooms/{room}/plates/{plate}/press", { ...ofPlate(room, plate), body }));

export const editionQuery = (room: string, plate: string, after: number | null = null) =>
  queryOptions({
    queryKey: [room, "edition", plate, after],
    queryFn: () =>
      dataAs<Edition>(
        http.GET("/api/rooms/{room}/plates/{plate}/edition", {
          params: { path: { room, plate }, query: after === null ? {} : { after } },
        }),
      ),
    placeholderData: (before) => before,
  });

export const keepEdition = (room: string, plate: string, body: Shapes["EditionIn"]) =>
  dataAs<Edition>(
    http.PUT("/api/rooms/{room}/plates/{plate}/edition", { ...ofPlate(room, plate), body }),
  );

export const signImpression = (room: string, plate: string, body: Shapes["SignatureIn"]) =>
  dataAs<Edition>(
    http.POST("/api/rooms/{room}/plates/{plate}/edition/sign", { ...ofPlate(room, plate), body }),
  );

export const cancelPlate = (room: string, plate: string, body: Shapes["CancelIn"]) =>
  dataAs<Edition>(
    http.POST("/api/rooms/{room}/plates/{plate}/edition/cancel", {
      ...ofPlate(room, plate),
      body,
    }),
  );

export const paperPlanQuery = (room: string, plate: string) =>
  queryOptions({
    queryKey: [room, "paper", plate],
    queryFn: () =>
      dataAs<PaperPlan>(http.GET("/api/rooms/{room}/plates/{plate}/paper", ofPlate(room, plate))),
  });

export const askForTemplate = (room: string, plate: string, body: Shapes["TemplateIn"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/plates/{plate}/template", { ...ofPlate(room, plate), body }),
  );

export const editionCsvUrl = (room: string, plate: string) =>
  `/api/rooms/${room}/plates/${plate}/edition.csv`;

export const paperCalendarUrl = (room: string, plate: string) =>
  `/api/rooms/${room}/plates/${plate}/paper.ics`;

export const soundUrl = (room: string, sound: string) => `/api/rooms/${room}/sounds/${sound}`;

/** Keep a spoken note; sent twice it is stored once. */
export async function sendSound(room: string, plate: string, id: string, file: Blob) {
  const body = new FormData();
  body.append("id", id);
  body.append("file", file, "note");
  return data(
    http.POST("/api/rooms/{room}/plates/{plate}/sounds", {
      ...ofPlate(room, plate),
      body: body as never,
      bodySerializer: (each) => each as never,
    }),
  );
}

export const papersQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "papers"],
    queryFn: () => data(http.GET("/api/rooms/{room}/papers", { params: { path: { room } } })),
  });
export const inksQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "inks"],
    queryFn: () =>
      dataAs<{ items: Ink[] }>(http.GET("/api/rooms/{room}/inks", { params: { path: { room } } })),
  });
export const pressesQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "presses"],
    queryFn: () => data(http.GET("/api/rooms/{room}/presses", { params: { path: { room } } })),
  });

export const keepPaper = (room: string, body: Shapes["PaperKindIn"]) =>
  data(http.PUT("/api/rooms/{room}/papers", { params: { path: { room } }, body }));
export const keepInk = (room: string, body: Shapes["InkIn"]) =>
  dataAs<Ink>(http.PUT("/api/rooms/{room}/inks", { params: { path: { room } }, body }));
export const keepPress = (room: string, body: Shapes["PressIn"]) =>
  data(http.PUT("/api/rooms/{room}/presses", { params: { path: { room } }, body }));
export const askForSwatch = (room: string, ink: string, body: Shapes["SwatchIn"]) =>
  dataAs<Task>(
    http.POST("/api/rooms/{room}/inks/{ink}/swatch", { params: { path: { room, ink } }, body }),
  );

export const approveProof = (room: string, proof: string, body: Shapes["ApprovalIn"]) =>
  dataAs<Shapes["ProofOut"]>(
    http.POST("/api/rooms/{room}/proofs/{proof}/approvals", {
      params: { path: { room, proof } },
      body,
    }),
  );
