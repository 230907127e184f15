"use client";

import chapter from "@/features/kit/look/Chapter.module.css";
import { ViewTabs } from "@/features/kit/look/ViewTabs";
import { EntriesView } from "./entries/EntriesView";
import type { FieldBookProps } from "./field-book-props";
import { FIELD_BOOK_VIEWS, type FieldBookView } from "./field-book-views";
import { KeptLine } from "./offline/KeptLine";
import { RemindersView } from "./reminders/RemindersView";
import { SpotCheckView } from "./spot/SpotCheckView";
import { ChangeView } from "./trials/ChangeView";
import { TrialsView } from "./trials/TrialsView";
import { WallView } from "./wall/WallView";

const VIEWS: Readonly<Record<FieldBookView, (props: FieldBookProps) => React.ReactNode>> = {
  entries: (props) => <EntriesView {...props} />,
  spot: (props) => <SpotCheckView {...props} />,
  wall: (props) => <WallView {...props} />,
  trials: (props) => <TrialsView {...props} />,
  change: (props) => <ChangeView {...props} />,
  reminders: (props) => <RemindersView {...props} />,
};

/** What was done, seen and measured on site. */
export function FieldBookChapter({ view, ...props }: FieldBookProps & { readonly view: FieldBookView }) {
  return (
    <div className={chapter.page}>
      <ViewTabs title={props.site.name} views={FIELD_BOOK_VIEWS} view={view} href={(id) => `/books/${props.slug}/field-book?view=${id}`} />
      <KeptLine />
      {VIEWS[view](props)}
    </div>
  );
}
