import { redirect } from "next/navigation";

export default async function BookCover({ params }: { params: Promise<{ slug: string }> }) {
  redirect(`/books/${(await params).slug}/ledger`);
}
