import { Disclosure, DisclosureButton, DisclosurePanel } from "@headlessui/react";
import type { Shapes } from "../../../api/client";
import { Mark } from "../../../ui/Mark";
import { Said } from "../../../ui/Said";

/** A caution by its title; pressed, it unfolds to what to do, also when it went wrong. */
export function FoldedCaution({ caution }: { caution: Shapes["Caution"] }) {
  const danger = caution.level === "danger";
  return (
    <Disclosure as="div" className="border-t border-hair py-1">
      <DisclosureButton
        className={`flex min-h-8.5 w-full items-center gap-3 text-left font-semibold pointer-coarse:min-h-12 [&>svg]:flex-none ${danger ? "text-vermilion" : "text-ferric-deep"}`}
      >
        <Mark name={danger ? "danger" : "care"} size={20} />
        {caution.title}
        <span aria-hidden="true" className="ml-auto text-ink-2 underline">
          more
        </span>
      </DisclosureButton>
      <DisclosurePanel className="pb-1.5 pl-8">
        <Said>{caution.text}</Said>{" "}
        <span className="note">
          <b>If it went wrong:</b> <Said>{caution.now}</Said>
        </span>
      </DisclosurePanel>
    </Disclosure>
  );
}
