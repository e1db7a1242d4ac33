import { useEffect, useRef } from "react";

/** A form that was asked for begins at its first field. */
export function useFirstField() {
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    form.current?.querySelector<HTMLElement>("input, button")?.focus();
  }, []);
  return form;
}
