import Link from "next/link";
import { say } from "@/wording/screens/app";

export default function NotFound() {
  return (
    <main style={{ padding: "12vh 8vw", fontFamily: "var(--serif)", fontSize: 19 }}>
      <h1 style={{ fontWeight: 500 }}>{say.thereIsNoSuchPageIn}</h1>
      <p>
        {say.itMayHaveBeenRenamedOr}
        <Link href="/">{say.goBackToTheShelf}</Link> {say.andOpenABookThere}
      </p>
    </main>
  );
}
