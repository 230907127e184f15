import { Button } from "@mantine/core";
import Link from "next/link";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/site";
import type { SiteDraft } from "./use-site-draft";

/** What a view of the site needs. */
export interface SiteViewProps {
  readonly slug: string;
  readonly draft: SiteDraft;
  readonly year: string | null;
}

/** A button that belongs to a ruled list. */
export function AddButton({ children, onClick }: { children: string; onClick: () => void }) {
  return (
    <Button variant="subtle" size="compact-sm" onClick={onClick}>
      {children}
    </Button>
  );
}

/** What a view says when it has no weather to reckon with. */
export function CloudlessNote({ slug, year }: { slug: string; year: string | null }) {
  if (year !== null) return null;
  return (
    <p className={chapter.soft}>
      {say.thisBookHasNoWeatherYet}
      <Link href={`/books/${slug}/readings`}>Readings chapter</Link>.
    </p>
  );
}
