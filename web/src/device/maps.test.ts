import "fake-indexeddb/auto";
import { haveMap } from "./maps";

const file = new Uint8Array([1, 2, 3]).buffer;

test("a map that was here once is here with no line; one that never came is not", async () => {
  const fetched = vi.fn(async () => ({ ok: true, arrayBuffer: async () => file }));
  vi.stubGlobal("fetch", fetched);
  expect(await haveMap("/runs/1/map")).toEqual(file);
  vi.stubGlobal("fetch", async () => {
    throw new TypeError("no line");
  });
  expect(new Uint8Array((await haveMap("/runs/1/map")) as ArrayBuffer)).toEqual(
    new Uint8Array(file),
  );
  expect(await haveMap("/runs/2/map")).toBeNull();
  vi.stubGlobal("fetch", async () => ({ ok: false }));
  expect(await haveMap("/runs/2/map")).toBeNull();
  expect(fetched).toHaveBeenCalledTimes(1);
});
