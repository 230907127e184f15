import Link from "next/link";

export default function NotFound() {
  return (
    <main style={{ padding: "12vh 8vw", fontFamily: "var(--serif)", fontSize: 19 }}>
      <h1 style={{ fontWeight: 500 }}>There is no such page in this ledger.</h1>
      <p>
        It may have been renamed or removed. <Link href="/">Go back to the shelf</Link> and open a book there.
      </p>
    </main>
  );
}
