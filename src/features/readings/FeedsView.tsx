"use client";

import { Button, NumberInput, Select, Switch, TextInput } from "@mantine/core";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { type Feed, type FeedSettings, feedSettingsSchema } from "@/contracts/feeds";
import { mappedQuantities } from "@/contracts/mapping";
import { asRefused, call, type RefusedCall } from "@/features/data/api";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { number } from "@/wording/format";
import styles from "./ReadingsChapter.module.css";

interface Props {
  readonly slug: string;
  readonly timeZone: string;
  readonly meters: readonly string[];
  readonly feeds: readonly Feed[];
  readonly hosts: readonly string[];
}

const REFRESH_MS = 5000;

/** Sources that are asked again and again: how far they have come, and what went wrong. */
export function FeedsView({ slug, timeZone, meters, feeds, hosts }: Props) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<RefusedCall | null>(null);
  const running = feeds.some(({ settings }) => settings.enabled);
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => router.refresh(), REFRESH_MS);
    return () => clearInterval(timer);
  }, [running, router]);
  const act = async (work: Promise<unknown>) => {
    setRefusal(null);
    await work.catch((error: unknown) => setRefusal(asRefused(error)));
    router.refresh();
  };
  const path = (feed: Feed): string => `/api/books/${slug}/feeds/${feed.id}`;
  return (
    <>
      <p className={chapter.verdict} data-testid="feeds-verdict">
        {verdict(feeds)}
      </p>
      {refusal && <Refused refusal={refusal} />}
      <div className={`${chapter.columns} ${styles.columns}`}>
        <section className={chapter.section}>
          <h2>Feeds of this book</h2>
          {feeds.length === 0 && (
            <p className={chapter.soft}>
              None yet. A feed asks a logger, a meter or a weather service for what is new, and puts it in the book.
            </p>
          )}
          {feeds.map((feed) => (
            <FeedRow
              key={feed.id}
              feed={feed}
              timeZone={timeZone}
              turn={(enabled) => void act(call("PATCH", path(feed), { enabled }))}
              pull={() => void act(call("PATCH", path(feed), { pullNow: true }))}
              remove={() => void act(call("DELETE", path(feed)))}
            />
          ))}
        </section>
        <NewFeed meters={meters} hosts={hosts} add={(settings) => act(call("POST", `/api/books/${slug}/feeds`, settings))} />
      </div>
    </>
  );
}

function verdict(feeds: readonly Feed[]): string {
  const failing = feeds.filter(({ settings, lastError }) => settings.enabled && lastError);
  if (feeds.length === 0) return "Nothing is fetched by itself.";
  if (failing.length > 0)
    return `${failing.map(({ settings }) => settings.name).join(", ")}: the last try failed; it is tried again by itself, at longer and longer pauses.`;
  const running = feeds.filter(({ settings }) => settings.enabled).length;
  return running === 0
    ? `${feeds.length} ${feeds.length === 1 ? "feed is" : "feeds are"} ready and stopped.`
    : `${running} of ${feeds.length} feeds run.`;
}

const stampIn = (timeZone: string) => {
  const format = new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short", timeStyle: "short" });
  return (iso: string | null): string => (iso === null ? "never" : format.format(new Date(iso)));
};

interface RowProps {
  readonly feed: Feed;
  readonly timeZone: string;
  readonly turn: (enabled: boolean) => void;
  readonly pull: () => void;
  readonly remove: () => void;
}

function FeedRow({ feed, timeZone, turn, pull, remove }: RowProps) {
  const stamp = stampIn(timeZone);
  const { settings } = feed;
  return (
    <article className={styles.feed} data-testid={`feed-${feed.id}`}>
      <div className={styles.line}>
        <Switch checked={settings.enabled} onChange={(event) => turn(event.currentTarget.checked)} label={<b>{settings.name}</b>} />
        <span className={chapter.soft}>
          {settings.kind}, every {settings.everyMinutes} min
        </span>
        <Button size="compact-xs" variant="default" disabled={!settings.enabled} onClick={pull}>
          Pull now
        </Button>
        <Button size="compact-xs" variant="subtle" onClick={remove}>
          Remove
        </Button>
      </div>
      <dl className={styles.facts}>
        <dt>From</dt>
        <dd>
          <code>{settings.url}</code>
        </dd>
        <dt>Come as far as</dt>
        <dd>
          {stamp(feed.cursorUtc)}, {number(feed.valueCount)} values
        </dd>
        <dt>Last fine, next</dt>
        <dd>
          {stamp(feed.lastFineUtc)}, {settings.enabled ? stamp(feed.nextUtc) : "stopped"}
        </dd>
        {feed.lastError && (
          <>
            <dt>Last fault</dt>
            <dd className={chapter.clay}>
              {feed.lastError} ({feed.failures} in a row, {stamp(feed.lastTriedUtc)})
            </dd>
          </>
        )}
      </dl>
    </article>
  );
}

const EMPTY = {
  name: "",
  kind: "production",
  url: "http://",
  format: "csv",
  everyMinutes: 15,
  meterId: null,
  rows: "data",
  time: "time",
  field: "energy_kwh",
  quantity: "energy_kwh",
};

function NewFeed({
  meters,
  hosts,
  add,
}: {
  meters: readonly string[];
  hosts: readonly string[];
  add: (settings: FeedSettings) => Promise<void>;
}) {
  const [draft, setDraft] = useState<Record<keyof typeof EMPTY, string | number | null>>(EMPTY);
  const [fault, setFault] = useState("");
  const set = (part: Partial<typeof draft>) => setDraft({ ...draft, ...part });
  const submit = () => {
    const { rows, time, field, quantity, ...rest } = draft;
    const json = draft.format === "json" ? { rows, time, values: [{ field, quantity }] } : null;
    const read = feedSettingsSchema.safeParse({
      ...rest,
      json,
      meterId: draft.kind === "production" ? (draft.meterId ?? meters[0] ?? null) : null,
      enabled: true,
    });
    if (!read.success) return setFault(read.error.issues.map(({ path, message }) => `${path.join(".")}: ${message}`).join("; "));
    setFault("");
    void add(read.data);
  };
  return (
    <section className={chapter.section}>
      <h2>Add a feed</h2>
      <div className={styles.newFeed}>
        <TextInput label="Name" value={String(draft.name ?? "")} onChange={(event) => set({ name: event.currentTarget.value })} />
        <TextInput
          label="Address"
          description={hosts.length > 0 ? `Allowed hosts: ${hosts.join(", ")}` : "No host is allowed yet (DUSTY_LEDGER_FEED_HOSTS)"}
          value={String(draft.url ?? "")}
          onChange={(event) => set({ url: event.currentTarget.value })}
        />
        <Select
          label="Holds"
          data={["production", "weather"]}
          value={String(draft.kind)}
          allowDeselect={false}
          onChange={(kind) => set({ kind })}
        />
        <Select
          label="Answers with"
          data={["csv", "json"]}
          value={String(draft.format)}
          allowDeselect={false}
          onChange={(format) => set({ format })}
        />
        {draft.format === "json" && (
          <>
            <TextInput
              label="List of rows"
              description="a path such as data.rows"
              value={String(draft.rows)}
              onChange={(event) => set({ rows: event.currentTarget.value })}
            />
            <TextInput
              label="Field of the time"
              value={String(draft.time)}
              onChange={(event) => set({ time: event.currentTarget.value })}
            />
            <TextInput
              label="Field of the value"
              value={String(draft.field)}
              onChange={(event) => set({ field: event.currentTarget.value })}
            />
            <Select
              label="It holds"
              data={[...mappedQuantities]}
              value={String(draft.quantity)}
              allowDeselect={false}
              onChange={(quantity) => set({ quantity })}
            />
          </>
        )}
        {draft.kind === "production" && meters.length > 1 && (
          <Select
            label="Meter"
            data={[...meters]}
            value={String(draft.meterId ?? meters[0])}
            allowDeselect={false}
            onChange={(meterId) => set({ meterId })}
          />
        )}
        <NumberInput
          label="Every, minutes"
          min={1}
          max={1440}
          value={Number(draft.everyMinutes)}
          onChange={(everyMinutes) => set({ everyMinutes: Number(everyMinutes) })}
          hideControls
        />
      </div>
      {fault && <p className={chapter.clay}>{fault}</p>}
      <div className={chapter.actions}>
        <Button onClick={submit}>Add and start it</Button>
      </div>
    </section>
  );
}
