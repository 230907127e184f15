import type { InputHTMLAttributes } from "react";

/** What a drop zone's own input is called, for people who hear the page and for tests. */
export const fileInput = (label: string, testId: string): InputHTMLAttributes<HTMLInputElement> => {
  // Held by a name first: a data attribute is known to the browser, not to the type.
  const named = { "aria-label": label, "data-testid": testId };
  return named;
};
