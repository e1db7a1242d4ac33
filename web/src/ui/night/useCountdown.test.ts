import { saidBetween, setSound, soundOn } from "./useCountdown";

test.each([
  [61, 59.8, ["one minute"]],
  [31, 29, ["thirty seconds"]],
  [10.2, 9.9, ["ten seconds"]],
  [0.1, -0.1, ["lift now"]],
  [70, -5, ["one minute", "thirty seconds", "ten seconds", "lift now"]],
  [59, 58, []],
  [-5, -6, []],
])("between %d and %d s left it says %j", (then, left, words) =>
  expect(saidBetween(then, left, "lift now").map(([, each]) => each)).toEqual(words),
);

test("sound is on until it is turned off, and stays as it was set", () => {
  localStorage.clear();
  expect(soundOn()).toBe(true);
  setSound(false);
  expect(soundOn()).toBe(false);
});
