import { queryOptions, useQuery } from "@tanstack/react-query";
import { data, http } from "./client";

const mordantsQuery = queryOptions({
  queryKey: ["mordants"],
  queryFn: () => data(http.GET("/api/mordants")),
  staleTime: Number.POSITIVE_INFINITY,
});

/** The mordants to choose from, as the core's table has them. */
export function useMordantOptions(): [string, string][] {
  const { data: rows } = useQuery(mordantsQuery);
  return (rows ?? []).map((row) => [String(row.key), `${row.label}, for ${row.metal}`]);
}
