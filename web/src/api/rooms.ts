import { queryOptions } from "@tanstack/react-query";
import { data, http, type Shapes } from "./client";

export const membersQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "members"],
    queryFn: () => data(http.GET("/api/rooms/{room}/members", { params: { path: { room } } })),
  });

export const makeLink = (room: string, body: Shapes["LinkIn"]) =>
  data(http.POST("/api/rooms/{room}/links", { params: { path: { room } }, body }));

/** Of a room: links that can still be used. */
export const linksQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "links"],
    queryFn: () => data(http.GET("/api/rooms/{room}/links", { params: { path: { room } } })),
  });

export const takeBackLink = (room: string, link: string) =>
  data(http.DELETE("/api/rooms/{room}/links/{link}", { params: { path: { room, link } } }));

export const setRole = (room: string, member: string, role: "keeper" | "printer") =>
  data(
    http.PUT("/api/rooms/{room}/members/{member}", {
      params: { path: { room, member } },
      body: { role },
    }),
  );

export const letGo = (room: string, member: string) =>
  data(http.DELETE("/api/rooms/{room}/members/{member}", { params: { path: { room, member } } }));

export const linkQuery = (token: string) =>
  queryOptions({
    queryKey: ["link", token],
    queryFn: () => data(http.GET("/api/links/{token}", { params: { path: { token } } })),
    retry: false,
  });

export const useLink = (token: string, body: Shapes["LinkUse"]) =>
  data(http.POST("/api/links/{token}", { params: { path: { token } }, body }));
