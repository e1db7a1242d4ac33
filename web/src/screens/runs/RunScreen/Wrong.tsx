import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import type { Run } from "../../../api/runs";
import { Mark } from "../../../ui/Mark";
import { NightButton } from "../../../ui/night/Night";

/** If it goes wrong: what to do now, over everything, with no line too. The bite goes on under it. */
export function Wrong({ run, close }: { run: Run; close: () => void }) {
  return (
    <Dialog open onClose={close}>
      <div className="fixed inset-0 z-40 overflow-auto bg-night p-6 text-night-ink max-phone:p-4">
        <DialogPanel className="mx-auto grid max-w-260 gap-5">
          <span className="flex flex-wrap items-center justify-between gap-4">
            <DialogTitle className="font-slab text-far-2 leading-none font-bold max-phone:text-h1">
              If it goes wrong
            </DialogTitle>
            <NightButton onClick={close}>Back to the bath</NightButton>
          </span>
          <ul className="grid gap-5">
            {run.wrong.map((caution) => (
              <li key={caution.key} className="border-t-2 border-night-line pt-3">
                <h2
                  className={`flex items-center gap-3 text-far font-bold max-phone:text-h3 ${caution.level === "danger" ? "text-night-vermilion" : "text-night-ferric"} [&>svg]:size-7 [&>svg]:flex-none [&>svg]:[--cut:var(--color-night)]`}
                >
                  <Mark name={caution.level} />
                  {caution.title}
                </h2>
                <p className="mt-1.5 text-far leading-snug font-semibold max-phone:text-lead">
                  {caution.now}
                </p>
                <p className="mt-1 text-lead text-night-ink-2">{caution.text}</p>
              </li>
            ))}
          </ul>
          <p className="text-lead text-night-ink-2">
            Local rules and the supplier's sheet come first. The bath's page prints this.
          </p>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
