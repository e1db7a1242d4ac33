import type { BathPage } from "../../../api/baths";
import { useHere } from "../../../frame/useHere";
import { Button } from "../../../ui/Button";
import { Mark } from "../../../ui/Mark";
import type { What } from "./useBathKeys";

type Props = { page: BathPage; asked: What | null; ask: (what: What | null) => void };

/** The bath's name, what it is, and what can be measured or done. */
export function Head({ page, asked, ask }: Props) {
  const { keeper } = useHere();
  const { bath } = page;
  const toggle = (what: What) => () => ask(asked === what ? null : what);
  return (
    <header className="flex min-h-12 flex-wrap items-center gap-x-3.5 gap-y-2">
      <div className="mr-auto flex flex-wrap items-baseline gap-x-3.5 max-desk:basis-full">
        <h1 className="max-phone:text-far">{bath.name}</h1>
        <p className="note">
          {bath.mordant_label}
          {bath.baume ? `, ${bath.baume} °Bé` : ""}, {bath.volume_l} L.
          {bath.retired ? ` Retired${bath.retired_to ? ` into ${bath.retired_to}` : ""}.` : ""}
        </p>
      </div>
      <Button look="quiet" aria-expanded={asked === "warm"} onClick={toggle("warm")}>
        Log a reading
      </Button>
      {keeper ? (
        <Button look="quiet" aria-expanded={asked === "change"} onClick={toggle("change")}>
          Top up or retire
        </Button>
      ) : null}
      {bath.retired ? null : (
        <>
          <Button aria-expanded={asked === "coupon"} onClick={toggle("coupon")}>
            Weigh a coupon
          </Button>
          <Button look="bath" aria-expanded={asked === "patch"} onClick={toggle("patch")}>
            <Mark name="bath" /> Log a check patch
          </Button>
        </>
      )}
    </header>
  );
}
