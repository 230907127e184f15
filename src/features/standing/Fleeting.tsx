import type { ReactNode } from "react";

/**
 * Marks a page that stands in until figures are there, so that nobody keeps it. Made by the server itself: what only a client component says is not in the answer
 * to a page that is turned or asked for anew, which names the component and leaves its words to the browser.
 */
export const Fleeting = ({ children }: { readonly children: ReactNode }): ReactNode => (
  <>
    <span hidden data-fleeting="" />
    {children}
  </>
);
