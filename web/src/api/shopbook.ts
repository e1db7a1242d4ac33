import { queryOptions } from "@tanstack/react-query";
import { data, http, type Shapes } from "./client";
import { everyPage, pageAsked } from "./pages";

export type ShopBook = Shapes["ShopBook"];
export type NumberCell = Shapes["NumberCell"];
export type Recipe = Shapes["RecipeOut"];
export type Tool = Shapes["ToolOut"];
export type Supply = Shapes["SupplyOut"];

export const shopBookQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "shop-book"],
    queryFn: () => data(http.GET("/api/rooms/{room}/shop-book", { params: { path: { room } } })),
  });

export const recipesQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "recipes"],
    queryFn: () =>
      everyPage((page) =>
        data(
          http.GET("/api/rooms/{room}/recipes", {
            params: { path: { room }, query: { page: pageAsked(page) } },
          }),
        ),
      ),
  });

export const toolsQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "tools"],
    queryFn: () =>
      everyPage((page) =>
        data(
          http.GET("/api/rooms/{room}/tools", {
            params: { path: { room }, query: { page: pageAsked(page) } },
          }),
        ),
      ),
  });

/** Every paper, ink and wipe of the room. */
export const suppliesQuery = (room: string) =>
  queryOptions({
    queryKey: [room, "supplies"],
    queryFn: () =>
      everyPage((page) =>
        data(
          http.GET("/api/rooms/{room}/supplies", {
            params: { path: { room }, query: { page: pageAsked(page) } },
          }),
        ),
      ),
  });

export const keepSupply = (room: string, body: Shapes["SupplyIn"]) =>
  data(http.PUT("/api/rooms/{room}/supplies", { params: { path: { room } }, body }));

export const correctNumber = (room: string, body: Shapes["OwnNumberIn"]) =>
  data(http.POST("/api/rooms/{room}/numbers", { params: { path: { room } }, body }));

export const keepRecipe = (room: string, body: Shapes["RecipeIn"]) =>
  data(http.PUT("/api/rooms/{room}/recipes", { params: { path: { room } }, body }));

export const keepTool = (room: string, body: Shapes["ToolIn"]) =>
  data(http.PUT("/api/rooms/{room}/tools", { params: { path: { room } }, body }));
