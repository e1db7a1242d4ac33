import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Shapes } from "../../../api/client";
import { linksQuery, takeBackLink } from "../../../api/rooms";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Trouble } from "../../../ui/Trouble";
import { momentOf } from "../../../ui/times";

type OpenLink = Shapes["OpenLink"];

const about = (link: OpenLink) =>
  link.kind === "reset" ? `A new password for ${link.name}` : `An invitation of a ${link.role}`;

/** Links that were handed over and can still be used; a keeper takes them back. */
export function OpenLinks() {
  const { room, zone } = useHere();
  const { data, error } = useQuery(linksQuery(room));
  const client = useQueryClient();
  const back = useMutation({
    mutationFn: (link: string) => takeBackLink(room, link),
    onSettled: () => client.invalidateQueries({ queryKey: [room, "links"] }),
  });
  if (!data?.length) return <Trouble error={error} />;
  return (
    <>
      <h3 className="mt-4 mb-1">Links that can still be used</h3>
      <ul>
        {data.map((link) => (
          <li
            key={link.id}
            className="flex flex-wrap items-center justify-between gap-x-4 border-b border-hair"
          >
            <span>
              {about(link)}{" "}
              <small className="note">
                made by {link.made_by}, good until {momentOf(link.expires_at, zone)}
              </small>
            </span>
            <Button
              look="quiet"
              aria-label={`Take back: ${about(link)}`}
              onClick={() => back.mutate(link.id)}
            >
              Take back
            </Button>
          </li>
        ))}
      </ul>
      <Trouble error={back.error} />
    </>
  );
}
