/** A page of a list; `total` counts the whole list. */
export type Paged<Item> = {
  items: Item[];
  total: number;
  page: number;
  page_size: number;
  /** Rows of this page that are kept but cannot be shown, and why. */
  broken: { id: string; text: string }[];
};

/** Ask for every page of a list, for a list that is chosen from: nothing may be missing in it. */
export async function everyPage<Item>(
  ask: (page: number) => Promise<Paged<Item>>,
): Promise<Paged<Item>> {
  const first = await ask(1);
  const left = Math.max(0, Math.ceil(first.total / first.page_size) - 1);
  const others = await Promise.all(Array.from({ length: left }, (_, n) => ask(n + 2)));
  const all = [first, ...others];
  return {
    ...first,
    items: all.flatMap((each) => each.items),
    broken: all.flatMap((each) => each.broken),
  };
}

/** The page as it is asked for: the first is what an address without one answers. */
export const pageAsked = (page: number) => (page > 1 ? page : undefined);

/** Keep the page before while the next is asked for, of the same thing only: never another plate's. */
export const keepPageOf =
  (thing: string) =>
  <List>(before: List | undefined, query?: { queryKey: readonly unknown[] }) =>
    query?.queryKey.includes(thing) ? before : undefined;

/** Whether a list has more than one page. */
export const hasPages = (list?: Pick<Paged<unknown>, "total" | "page_size">) =>
  list !== undefined && list.total > list.page_size;
