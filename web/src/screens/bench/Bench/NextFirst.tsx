import type { Shapes } from "../../../api/client";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { Mark } from "../../../ui/Mark";
import { Section } from "../../../ui/Section";
import { begun, inWords } from "../../../ui/words";
import { FIRST } from "./first";

/** A room that is begun: what it still needs, the first of it as the strong button. */
export function NextFirst({ first }: { first: Shapes["FirstThing"][] }) {
  const { room } = useHere();
  const left = FIRST.filter((each) => first.some((one) => one.what === each.what && !one.done));
  const [next] = left;
  return (
    <Section>
      <h2>
        {left.length === 1 ? "One thing more" : `${begun(inWords(left.length))} things more`} before
        a bite is planned from your own strip
      </h2>
      <ol className="mt-3 flex flex-wrap gap-x-8 gap-y-4">
        {FIRST.map((each) => (
          <li key={each.what} className="grid max-w-72 min-w-52 flex-1 content-start gap-1.5">
            <b className="flex items-center gap-2 font-slab text-lead">
              {left.includes(each) ? null : <Mark name="done" size={16} />}
              {each.title}
            </b>
            {left.includes(each) ? (
              <>
                <span className="text-ink-2">{each.why}</span>
                <span className="flex flex-wrap items-center gap-3">
                  <ButtonLink
                    look={each === next ? "strong" : "plain"}
                    to={`/r/${room}/${each.to}`}
                  >
                    {each.act}
                  </ButtonLink>
                  <span className="note">{each.long}</span>
                </span>
              </>
            ) : (
              <span className="note">It is there.</span>
            )}
          </li>
        ))}
      </ol>
    </Section>
  );
}
