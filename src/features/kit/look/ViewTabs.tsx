import Link from "next/link";
import type { ReactNode } from "react";
import styles from "./ViewTabs.module.css";

interface Props<Id extends string> {
  readonly title: string;
  readonly views: readonly { readonly id: Id; readonly name: string }[];
  /** The view that is open; another word where none is. */
  readonly view: Id | "";
  readonly href: (id: Id) => string;
  readonly children?: ReactNode;
}

/** A chapter's head: the book's name, the views of the chapter, and what stands at the right. */
export function ViewTabs<Id extends string>({ title, views, view, href, children }: Props<Id>) {
  return (
    <header className={styles.head}>
      <h1>{title}</h1>
      <nav className={styles.views} aria-label="Views">
        {views.map(({ id, name }) => (
          <Link key={id} href={href(id)} aria-current={id === view ? "page" : undefined}>
            {name}
          </Link>
        ))}
      </nav>
      {children}
    </header>
  );
}
