import type { ComponentType } from "react";
import { bathPageQuery, shelfQuery } from "./api/baths";
import { courseQuery } from "./api/courses";
import { editionQuery, paperPlanQuery } from "./api/editions";
import { chartsQuery, lampsQuery, signsQuery, testQuery, testsQuery } from "./api/exposures";
import { wearQuery } from "./api/marks";
import { benchQuery } from "./api/plates";
import { proofsQuery } from "./api/proofs";
import { stripQuery, wallQuery } from "./api/strips";
import { studyQuery } from "./api/studies";
import { worksQuery } from "./api/works";
import type { Asks } from "./frame/first";

/** One row a screen: router, rail, keys, page titles and the test of every screen read it. */
export type Place = {
  path: string;
  /** The title of its page. */
  name: string;
  /** What the keys' list and the rail call it, where they lead to it. */
  rail?: string;
  /** The letter after G that leads there. */
  key?: string;
  /** It takes the whole screen: no rail, no rack. */
  whole?: boolean;
  /** The digits are keys of its own: they do not lead to the steps of a plate's course. */
  digits?: boolean;
  load: () => Promise<ComponentType>;
  /** What it shows, to be asked for before it is drawn, where it is the first page. */
  first?: Asks;
};

export const PLACES: Place[] = [
  {
    path: "bench",
    name: "Bench",
    rail: "Bench",
    key: "b",
    load: async () => (await import("./screens/bench/Bench/Bench")).Bench,
    first: (client, { room = "" }) => [client.prefetchQuery(benchQuery(room))],
  },
  {
    path: "strips",
    name: "Strips",
    rail: "Strips",
    key: "s",
    load: async () => (await import("./screens/strips/Strips/Strips")).Strips,
    first: (client, { room = "" }) => [client.prefetchQuery(wallQuery(room))],
  },
  {
    path: "strips/new",
    name: "Read a strip",
    load: async () => (await import("./screens/strips/NewStrip/NewStrip")).NewStrip,
  },
  {
    path: "strips/bite",
    name: "Bite a test strip",
    load: async () => (await import("./screens/strips/BiteStrip/BiteStrip")).BiteStrip,
  },
  {
    path: "strips/:strip/bath",
    name: "At the bath",
    whole: true,
    load: async () => (await import("./screens/runs/RunScreen/RunScreen")).RunScreen,
  },
  {
    path: "strips/:strip",
    name: "Strip",
    load: async () => (await import("./screens/strips/StripPage/StripPage")).StripPage,
    first: (client, { room = "", strip = "" }) => [client.prefetchQuery(stripQuery(room, strip))],
  },
  {
    path: "baths",
    name: "Baths",
    rail: "Baths",
    key: "t",
    load: async () => (await import("./screens/baths/Baths/Baths")).Baths,
    first: (client, { room = "" }) => [client.prefetchQuery(shelfQuery(room))],
  },
  {
    path: "baths/new",
    name: "Make up a bath",
    load: async () => (await import("./screens/baths/MakeBath/MakeBath")).MakeBath,
  },
  {
    path: "baths/:bath/wrong",
    name: "If it goes wrong",
    load: async () => (await import("./screens/baths/Wrong/Wrong")).Wrong,
  },
  {
    path: "instruments",
    name: "Instruments",
    load: async () => (await import("./screens/instruments/Instruments/Instruments")).Instruments,
  },
  {
    path: "baths/:bath",
    name: "Bath",
    load: async () => (await import("./screens/baths/BathPage/BathPage")).BathPage,
    first: (client, { room = "", bath = "" }) => [client.prefetchQuery(bathPageQuery(room, bath))],
  },
  {
    path: "exposure",
    name: "Exposure",
    rail: "Exposure",
    key: "e",
    load: async () => (await import("./screens/exposures/Exposure/Exposure")).Exposure,
    first: (client, { room = "" }) => [
      client.prefetchQuery(lampsQuery(room)),
      client.prefetchQuery(testsQuery(room)),
    ],
  },
  {
    path: "exposure/wrong",
    name: "What went wrong",
    load: async () => (await import("./screens/exposures/WentWrong/WentWrong")).WentWrong,
    first: (client, { room = "" }) => [client.prefetchQuery(signsQuery(room))],
  },
  {
    path: "exposure/runs/:exposure",
    name: "At the lamp",
    whole: true,
    load: async () => (await import("./screens/exposures/ExposeScreen/ExposeScreen")).ExposeScreen,
  },
  {
    path: "exposure/:test",
    name: "Two-way test",
    load: async () => (await import("./screens/exposures/Exposure/Exposure")).Exposure,
    first: (client, { room = "", test = "" }) => [client.prefetchQuery(testQuery(room, test))],
  },
  {
    path: "works",
    name: "Works",
    rail: "Works",
    key: "p",
    load: async () => (await import("./screens/works/Works/Works")).Works,
    first: (client, { room = "" }) => [client.prefetchQuery(worksQuery(room))],
  },
  {
    path: "works/:work",
    name: "Work",
    load: async () => (await import("./screens/works/WorkPage/WorkPage")).WorkPage,
  },
  {
    path: "works/:work/layers",
    name: "Layers",
    load: async () => (await import("./screens/works/LayersPage/LayersPage")).LayersPage,
  },
  {
    path: "works/:work/cut",
    name: "Stencils and tracing",
    load: async () => (await import("./screens/works/CutPage/CutPage")).CutPage,
  },
  {
    path: "shop-book",
    name: "Shop book",
    rail: "Shop book",
    key: "o",
    load: async () => (await import("./screens/shopbook/ShopBook/ShopBook")).ShopBook,
  },
  {
    path: "record",
    name: "Record",
    rail: "Record",
    key: "d",
    load: async () => (await import("./screens/record/Record/Record")).Record,
  },
  {
    path: "members",
    name: "Members",
    rail: "Members",
    key: "m",
    load: async () => (await import("./screens/rooms/Members/Members")).Members,
  },
  {
    path: "plates/new",
    name: "Put a plate in",
    load: async () => (await import("./screens/plates/NewPlate/NewPlate")).NewPlate,
  },
  {
    path: "timers",
    name: "Waits",
    key: "w",
    whole: true,
    load: async () => (await import("./screens/timers/Timers/Timers")).Timers,
  },
  {
    path: "plates/:plate/pull",
    name: "At the press",
    whole: true,
    load: async () => (await import("./screens/press/PressScreen/PressScreen")).PressScreen,
  },
  {
    path: "runs/:run",
    name: "At the bath",
    whole: true,
    load: async () => (await import("./screens/runs/RunScreen/RunScreen")).RunScreen,
  },
];

/** The pages of a plate, under its head, course and tabs. */
export const PLATE_PLACES: Place[] = [
  {
    path: "",
    name: "Bites",
    load: async () => (await import("./screens/plates/PlatePage/PlatePage")).PlatePage,
  },
  {
    path: "plan/:part",
    name: "Plan",
    load: async () => (await import("./screens/plans/PlanPage/PlanPage")).PlanPage,
  },
  {
    path: "facts",
    name: "Change the plate",
    digits: true,
    load: async () => (await import("./screens/plates/ChangePlate/ChangePlate")).ChangePlate,
  },
  {
    path: "study",
    name: "Value study",
    digits: true,
    load: async () => (await import("./screens/studies/StudyPage/StudyPage")).StudyPage,
    first: (client, { room = "", plate = "" }) => [client.prefetchQuery(studyQuery(room, plate))],
  },
  {
    path: "maps",
    name: "Stop-out maps",
    load: async () => (await import("./screens/studies/MapsPage/MapsPage")).MapsPage,
    first: (client, { room = "", plate = "" }) => [client.prefetchQuery(studyQuery(room, plate))],
  },
  {
    path: "card",
    name: "Bench card",
    load: async () => (await import("./screens/studies/BenchCard/BenchCard")).BenchCard,
    first: (client, { room = "", plate = "" }) => [client.prefetchQuery(studyQuery(room, plate))],
  },
  {
    path: "positive",
    name: "Positive",
    load: async () => (await import("./screens/exposures/PositivePage/PositivePage")).PositivePage,
    first: (client, { room = "" }) => [client.prefetchQuery(chartsQuery(room))],
  },
  {
    path: "expose",
    name: "Exposure",
    load: async () => (await import("./screens/exposures/ExposePage/ExposePage")).ExposePage,
    first: (client, { room = "" }) => [
      client.prefetchQuery(lampsQuery(room)),
      client.prefetchQuery(testsQuery(room)),
    ],
  },
  {
    path: "marks",
    name: "Marks",
    digits: true,
    load: async () => (await import("./screens/marks/MarksPage/MarksPage")).MarksPage,
  },
  {
    path: "wear",
    name: "Wear",
    load: async () => (await import("./screens/marks/WearPage/WearPage")).WearPage,
    first: (client, { room = "", plate = "" }) => [
      client.prefetchQuery(wearQuery(room, plate, null)),
    ],
  },
  {
    path: "paper",
    name: "Paper",
    load: async () => (await import("./screens/editions/PaperPage/PaperPage")).PaperPage,
    first: (client, { room = "", plate = "" }) => [
      client.prefetchQuery(paperPlanQuery(room, plate)),
    ],
  },
  {
    path: "edition",
    name: "Edition",
    load: async () => (await import("./screens/editions/EditionPage/EditionPage")).EditionPage,
    first: (client, { room = "", plate = "" }) => [client.prefetchQuery(editionQuery(room, plate))],
  },
  {
    path: "certificate",
    name: "Certificate",
    load: async () => (await import("./screens/editions/Certificate/Certificate")).Certificate,
    first: (client, { room = "", plate = "" }) => [client.prefetchQuery(editionQuery(room, plate))],
  },
  {
    path: "course",
    name: "Course",
    load: async () => (await import("./screens/courses/CoursePage/CoursePage")).CoursePage,
    first: (client, { room = "", plate = "" }) => [client.prefetchQuery(courseQuery(room, plate))],
  },
  {
    path: "proofs",
    name: "Proofs",
    load: async () => (await import("./screens/proofs/Proofs/Proofs")).Proofs,
    first: (client, { room = "", plate = "" }) => [client.prefetchQuery(proofsQuery(room, plate))],
  },
  {
    path: "proofs/new",
    name: "Hang a proof",
    load: async () => (await import("./screens/proofs/NewProof/NewProof")).NewProof,
  },
];

/** Where the letters after G lead. */
export const BY_LETTER = new Map(
  PLACES.flatMap((place) => (place.key ? [[place.key, place]] : [])),
);
