import { queryOptions } from "@tanstack/react-query";
import { data, http, type Shapes } from "./client";

export type Me = Shapes["Me"];
const KEPT = "keen-me";
type Session = Shapes["Session"];

/** Who was signed in on this device when the server last said so. */
const kept = (): Session | null => JSON.parse(localStorage.getItem(KEPT) ?? "null");

function keptSignedIn(): Session | undefined {
  const before = kept();
  return before?.me ? before : undefined;
}

export const sessionQuery = queryOptions<Session>({
  queryKey: ["session"],
  queryFn: async ({ signal }) => {
    try {
      const session = await data(http.GET("/api/session", { signal }));
      if (!signal.aborted) localStorage.setItem(KEPT, JSON.stringify(session));
      return session;
    } catch (error) {
      const before = kept();
      if (!navigator.onLine || before) return before ?? { me: null, demo: false };
      throw error;
    }
  },
  // a line that answers nothing must not keep anyone from the bath
  placeholderData: keptSignedIn,
  staleTime: 60_000,
});

export const signIn = (body: Shapes["SignIn"]) => data(http.POST("/api/session", { body }));

export async function signOut(): Promise<void> {
  localStorage.removeItem(KEPT);
  await data(http.DELETE("/api/session"));
}

export const saveUnits = (body: Shapes["Units"]) => data(http.PUT("/api/session/units", { body }));
