import { hasPages, type Paged } from "../api/pages";
import { Button } from "./Button";
import { Care } from "./Care";

type Props = {
  list: Paged<unknown>;
  go: (page: number) => void;
  earlier?: string;
  later?: string;
};

/** What of a list cannot be shown, which part of a long one is, and the way to the others. */
export function Pages(props: Props) {
  return (
    <>
      {props.list.broken.map((row) => (
        <Care key={row.id}>{row.text}</Care>
      ))}
      <Ways {...props} />
    </>
  );
}

/** Nothing where one page holds all. */
function Ways({ list, go, earlier = "Newer", later = "Older" }: Props) {
  const { items, page, page_size, total } = list;
  if (!hasPages(list)) return null;
  const start = (page - 1) * page_size;
  return (
    <div className="mt-3.5 flex flex-wrap items-center gap-x-4 gap-y-2">
      <Button disabled={page === 1} onClick={() => go(page - 1)}>
        {earlier}
      </Button>
      <span className="note num" role="status">
        {start + 1} to {start + items.length} of {total}
      </span>
      <Button disabled={page * page_size >= total} onClick={() => go(page + 1)}>
        {later}
      </Button>
    </div>
  );
}
