import type { Test } from "../../../api/exposures";
import type { Plate } from "../../../api/plates";
import { useHere } from "../../../frame/useHere";
import { ButtonLink } from "../../../ui/Button";
import { Mark } from "../../../ui/Mark";
import { LeftUntil } from "../../../ui/Ticking";
import { clock } from "../../../ui/times";
import type { TypedTimes } from "./Typed";

type Props = { plate: Plate; test: Test | null; typed: TypedTimes | null };

/** The two times on today's lamp; under way, what goes on. */
export function Times({ plate, test, typed }: Props) {
  const { room } = useHere();
  const { light } = plate;
  if (light)
    return (
      <div className="plate-mark mt-1.5 flex flex-wrap items-center gap-x-5 gap-y-2 px-5.5 py-3">
        <h2 className="mr-auto text-h1">
          {light.stage ? `${light.under_way ? "Now" : "Next"}: ${light.stage}` : "All stages done"}
          {light.due_seconds ? (
            <>
              {" "}
              <LeftUntil at={light.due_seconds} className="num" />
            </>
          ) : null}
        </h2>
        <ButtonLink look="bath" to={`/r/${room}/exposure/runs/${light.id}`}>
          <Mark name="exposing" /> Go to the lamp
        </ButtonLink>
      </div>
    );
  const times = timesOf(test, typed);
  if (!times)
    return (
      <div className="plate-mark mt-1.5 px-5.5 py-3">
        <h2 className="text-h1">How long, first the dot screen, then the film?</h2>
        <p className="mt-1 text-ink-2">Choose the test that tells it, or type times you know.</p>
      </div>
    );
  return (
    <div className="plate-mark mt-1.5 px-5.5 py-2.5">
      <h2 className="flex flex-wrap items-baseline gap-x-3 font-slab text-h1 leading-tight font-semibold max-phone:text-h2">
        <span className="whitespace-nowrap">
          Dot screen <b className="num text-show leading-none">{clock(times.screen)}</b>
        </span>
        <span className="whitespace-nowrap">
          then image <b className="num text-show leading-none">{clock(times.image)}</b>
        </span>
      </h2>
      <p className="mt-1.5 text-ink-2">{times.why}</p>
    </div>
  );
}

/** What the times are, and where they come from. */
function timesOf(test: Test | null, typed: TypedTimes | null) {
  if (typed)
    return {
      screen: typed.screen_seconds,
      image: typed.image_seconds,
      why: "As you typed them: no test says what they hold.",
    };
  if (!test?.pair || !test.today) return null;
  const { pair, today } = test;
  return {
    screen: today.screen_seconds,
    image: today.image_seconds,
    why: `${test.name}: ${clock(pair.screen_seconds)}, then ${clock(pair.image_seconds)}; on today's lamp ×${today.times.toFixed(2)} (${today.low.toFixed(2)} to ${today.high.toFixed(2)}). Both ends hold with ${Math.round(100 * pair.chance)} %.`,
  };
}
