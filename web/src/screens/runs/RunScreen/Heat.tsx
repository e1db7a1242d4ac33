import type { Run } from "../../../api/runs";

/** A bath too warm for what is in it: warned of first, then a danger that nothing outshouts. */
export function Heat({ run, celsius }: { run: Run; celsius: number }) {
  const { heat } = run;
  if (!heat || celsius < heat.warned_c) return null;
  return celsius > heat.hottest_c ? (
    <p
      role="alert"
      className="mb-3 bg-night-vermilion px-4 py-2.5 text-h2 leading-tight font-bold text-night max-phone:text-lead flat:py-1.5 flat:text-lead"
    >
      {heat.danger}
    </p>
  ) : (
    <p
      role="status"
      className="mb-2 text-h2 leading-tight font-semibold text-night-ferric max-phone:text-lead flat:text-body"
    >
      {heat.warning}
    </p>
  );
}
