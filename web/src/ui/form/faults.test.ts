import { ApiError, type Fault } from "../../api/client";
import { placed } from "./faults";
import { number, shapeOf, text } from "./shape";

const SHAPE = shapeOf("ProofIn", {
  paper: text("Paper"),
  "tones.*.read_lstar": number("Area #, L* read"),
});
const fault = (field: string, text: string, more: Partial<Fault> = {}): Fault => ({
  code: "x",
  field,
  value: null,
  allowed: "",
  unit: "",
  text,
  ...more,
});
const at = (...faults: Fault[]) =>
  placed(SHAPE, new ApiError(422, faults[0] as Fault, faults), { tones: [1, 4] });

test("each fault of the server stands at its field, its path never told", () => {
  const { at: found, rest } = at(
    fault("paper", "paper: string should have at most 120 characters."),
    fault("tones.1.read_lstar", "tones.1.read_lstar: input should be less than or equal to 105.", {
      allowed: "at most 105",
      unit: "L*",
    }),
  );
  expect([...found]).toEqual([
    ["paper", "Paper: string should have at most 120 characters."],
    [
      "tones.4.read_lstar",
      "Area 5, L* read: input should be less than or equal to 105. Allowed: at most 105 L*.",
    ],
  ]);
  expect(rest).toBe("");
});

test("what no field shows is told below, without a path", () => {
  const { at: found, rest } = at(fault("areas.0.other", "areas.0.other: nothing fits."));
  expect(found.size).toBe(0);
  expect(rest).toBe("nothing fits.");
});

test("a row that cannot be told from the path is told below, not at some other row", () => {
  const { at: found, rest } = at(fault("groups.read_lstar", "One of them is too light."));
  expect(found.size).toBe(0);
  expect(rest).toBe("One of them is too light.");
});

test("a name of the body may be typed in a field of another name", () => {
  const lines = shapeOf("PlanIn", { "areas.*.amount": number("Group #, wanted") });
  const error = new ApiError(422, fault("areas.2.depth_um", "Too deep for this land."));
  const { at: found } = placed(lines, error, {}, { depth_um: "amount" });
  expect([...found]).toEqual([["areas.2.amount", "Group 3, wanted: Too deep for this land."]]);
});

test("an error that is no answer is told as one", () => {
  expect(placed(SHAPE, new Error("boom")).rest).toBe("Something went wrong. Try again.");
});
