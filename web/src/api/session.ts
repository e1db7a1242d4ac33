import { queryOptions } from "@tanstack/react-query";
import { data, http, type Shapes } from "./client";

export type Me = Shapes["Me"];
const KEPT = "keen-me";

export const sessionQuery = queryOptions({
  queryKey: ["session"],
  queryFn: async (): Promise<Shapes["Session"]> => {
    try {
      const session = await data(http.GET("/api/session"));
      localStorage.setItem(KEPT, JSON.stringify(session));
      return session;
    } catch (error) {
      const kept = localStorage.getItem(KEPT);
      if (!navigator.onLine || kept) return JSON.parse(kept ?? "null") ?? { me: null, demo: false };
      throw error;
    }
  },
  staleTime: 60_000,
});

export const signIn = (body: Shapes["SignIn"]) => data(http.POST("/api/session", { body }));

export async function signOut(): Promise<void> {
  localStorage.removeItem(KEPT);
  await data(http.DELETE("/api/session"));
}

export const saveUnits = (body: Shapes["Units"]) => data(http.PUT("/api/session/units", { body }));
