"use client";

import Link from "next/link";
import { usePathname } from "next/navigation";
import { say } from "@/wording/screens/app";
import styles from "./NoSuchPage.module.css";

/** What the address asked for: a book by its name in the address, where it names one. */
export function NoSuchPage() {
  const slug = /^\/books\/([^/]+)/.exec(usePathname() ?? "")?.[1];
  return (
    <main className={styles.page}>
      <h1>{slug ? say.noBookAtThisAddress(decodeURIComponent(slug)) : say.thereIsNoSuchPageIn}</h1>
      <p>
        {slug ? say.itMayHaveBeenRemovedOrThePageIsNot : say.itMayHaveBeenRenamedOr}
        <Link href="/">{say.goBackToTheShelf}</Link> {say.andOpenABookThere}
      </p>
    </main>
  );
}
