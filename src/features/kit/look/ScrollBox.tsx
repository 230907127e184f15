import type { ReactNode } from "react";
import styles from "./ScrollBox.module.css";

/** A table that may be wider or longer than its place; the keyboard reaches it, so that it can be scrolled. */
export function ScrollBox({ label, className, children }: { label: string; className?: string | undefined; children: ReactNode }) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keyboard (WCAG 2.1.1)
    <section aria-label={label} className={className ? `${styles.box} ${className}` : styles.box} tabIndex={0}>
      {children}
    </section>
  );
}
