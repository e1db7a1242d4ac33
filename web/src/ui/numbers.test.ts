import { parseNumber, plain, stepped, typedNumber } from "./numbers";

test.each([
  ["12", 12],
  ["12.5", 12.5],
  ["12,5", 12.5],
  [" 0,05 ", 0.05],
  [".5", 0.5],
  ["-3", -3],
  ["−3", -3],
  ["1 200", 1200],
])("%s is read as %d", (text, number) => expect(parseNumber(text)).toBe(number));

test.each([
  ["18.5 °C", "°C", 18.5],
  ["4L", "L", 4],
  ["12 %", "%", 12],
])("%s may carry its unit %s", (text, unit, number) =>
  expect(parseNumber(text, unit)).toBe(number),
);

test.each(["abc", "1.2.3", "1,234.5", "12 L", "--3", "1e3", "Infinity"])(
  "%s is no number",
  (text) => expect(parseNumber(text)).toBeNaN(),
);

test("nothing typed is nothing, not nought", () => {
  expect(parseNumber("")).toBeUndefined();
  expect(parseNumber("  ")).toBeUndefined();
});

test.each([
  ["12", 1, "13"],
  ["0.1", 0.2, "0.3"],
  ["2,5", -0.5, "2"],
  ["", 5, "5"],
  ["abc", 1, "abc"],
])("%s stepped by %d is %s", (text, by, next) => expect(stepped(text, by)).toBe(next));

test("what is kept is typed as a hand would", () => {
  expect(typedNumber(null)).toBe("");
  expect(typedNumber(0)).toBe("0");
  expect(plain(0.1 + 0.2)).toBe("0.3");
});
