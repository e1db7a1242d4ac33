import { QueryClient } from "@tanstack/react-query";
import { type Course, courseQuery, tookCourse } from "./courses";

test("a course that was answered is not asked for once more; what hangs on it is", async () => {
  const client = new QueryClient();
  const { queryKey } = courseQuery("room", "plate");
  for (const key of [queryKey, ["room", "plate", "plate"], ["room", "record", {}], ["other", "x"]])
    client.setQueryData(key, {});
  await tookCourse(client, "room", "plate", { plate: "plate", version: 7 } as Course);
  const stale = (key: readonly unknown[]) => client.getQueryState(key)?.isInvalidated;
  expect(client.getQueryData<Course>(queryKey)?.version).toBe(7);
  expect(
    [queryKey, ["room", "plate", "plate"], ["room", "record", {}], ["other", "x"]].map(stale),
  ).toEqual([false, true, true, false]);
});
