import type { InputHTMLAttributes } from "react";

/** What a drop zone's own input is called, for people who hear the page and for tests. */
export const fileInput = (label: string, testId: string): InputHTMLAttributes<HTMLInputElement> => {
  const named = { "aria-label": label, "data-testid": testId };
  return named;
};
