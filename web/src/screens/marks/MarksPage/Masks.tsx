import type { Marks } from "../../../api/marks";
import { Care } from "../../../ui/Care";
import { Section } from "../../../ui/Section";

/** The order of masks and grits, where groups are made by texture. */
export function Masks({ marks }: { marks: Marks }) {
  const plan = marks.masks;
  if (!plan || plan.rubbings.length === 0) return null;
  return (
    <Section>
      <h2 className="text-h3">
        {plan.rubbings.length === 1 ? "One mask" : `${plan.rubbings.length} masks, in this order`}
      </h2>
      <p className="note">
        Cut the film round each shape; what is to stay lighter is covered first and stays covered.
      </p>
      <ol className="mt-1.5 grid gap-1.5">
        {plan.rubbings.map((each) => {
          const done = each.areas.find((area) => area.finished);
          return (
            <li
              key={each.number}
              className="grid grid-cols-[28px_minmax(0,1fr)] border-b border-hair pb-1.5"
            >
              <b className="num text-h3">{each.number}</b>
              <span>
                {each.mask_before.length > 0 ? (
                  <>
                    Mask <b>{each.mask_before.join(", ")}</b>.{" "}
                  </>
                ) : null}
                Then <b className="num">{each.times}</b>{" "}
                {each.times === 1 ? each.pass_word : plural(each.pass_word)} with {each.label} over{" "}
                {each.areas.map((area) => area.name).join(", ")}.{" "}
                {done ? (
                  <span className="note">
                    {done.name} is done: L* <span className="num">{Math.round(done.lstar)}</span> (
                    {Math.round(done.low)} to {Math.round(done.high)}).
                  </span>
                ) : null}
              </span>
            </li>
          );
        })}
      </ol>
      {plan.warnings.map((each) => (
        <Care key={each.code + each.area} className="mt-1">
          {each.text}
        </Care>
      ))}
    </Section>
  );
}

const plural = (word: string) => (word.endsWith("s") ? `${word}es` : `${word}s`);
