import type { ReactNode } from "react";
import type { BathPage } from "../../../api/baths";
import { TextButton } from "../../../ui/Button";
import { Change } from "./Change";
import { Coupon } from "./Coupon";
import { Patch } from "./Patch";
import { ReadIt } from "./ReadIt";
import type { What } from "./useBathKeys";

const TITLES: Record<What, string> = {
  warm: "Read it",
  coupon: "Weigh a coupon",
  patch: "Log a check patch",
  change: "Top up or retire",
};

type Props = { page: BathPage; asked: What | null; close: () => void };

/** The form that was asked for, between the answer and its evidence. */
export function Asked({ page, asked, close }: Props) {
  if (asked === null) return null;
  const forms: Record<What, ReactNode> = {
    warm: <ReadIt bath={page.bath} done={close} />,
    coupon: <Coupon bath={page.bath} done={close} />,
    patch: <Patch page={page} done={close} />,
    change: <Change page={page} done={close} />,
  };
  return (
    <section className="mt-3 rounded-plate border-[1.5px] border-dashed border-ink-3 px-5 py-4">
      <span className="flex items-baseline justify-between gap-4">
        <h2>{TITLES[asked]}</h2>
        <TextButton onClick={close}>Close</TextButton>
      </span>
      {forms[asked]}
    </section>
  );
}
