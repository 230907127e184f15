"use client";

import { Button, NumberInput, Select, Switch, TextInput } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { z } from "zod";
import { type Feed, type FeedSettings, feedSchema, feedSettingsSchema } from "@/contracts/feeds";
import { mappedQuantities } from "@/contracts/mapping";
import { ask, tell } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { feedFaultInWords } from "@/wording/feeds";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/readings";
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
export function FeedsView({ slug, timeZone, meters, feeds: given, hosts }: Props) {
  const path = `/api/books/${slug}/feeds`;
  const client = useQueryClient();
  const { data: feeds } = useQuery({
    queryKey: ["feeds", slug],
    queryFn: ({ signal }) => ask(z.array(feedSchema), path, { signal }),
    initialData: given,
    refetchInterval: ({ state }) => (state.data?.some(({ settings }) => settings.enabled) ? REFRESH_MS : false),
  });
  const { run: act, refusal } = useChange((work: () => Promise<void>) => work(), {
    onDone: () => void client.invalidateQueries({ queryKey: ["feeds", slug] }),
  });
  return (
    <>
      <p className={chapter.verdict} data-testid="feeds-verdict">
        {verdict(feeds)}
      </p>
      {refusal && <Refused refusal={refusal} />}
      <div className={`${chapter.columns} ${styles.columns}`}>
        <section className={chapter.section}>
          <h2>{say.feedsOfThisBook}</h2>
          {feeds.length === 0 && <p className={chapter.soft}>{say.noneYetAFeedAsksA}</p>}
          {feeds.map((feed) => (
            <FeedRow
              key={feed.id}
              feed={feed}
              timeZone={timeZone}
              turn={(enabled) => act(() => tell("PATCH", `${path}/${feed.id}`, { enabled }))}
              pull={() => act(() => tell("PATCH", `${path}/${feed.id}`, { pullNow: true }))}
              remove={() => act(() => tell("DELETE", `${path}/${feed.id}`))}
            />
          ))}
        </section>
        <NewFeed meters={meters} hosts={hosts} add={(settings) => act(() => tell("POST", path, settings))} />
      </div>
    </>
  );
}

function verdict(feeds: readonly Feed[]): string {
  const failing = feeds.filter(({ settings, lastFault }) => settings.enabled && lastFault);
  if (feeds.length === 0) return say.nothingIsFetchedByItself;
  if (failing.length > 0) return say.theLastTryFailedItIs(failing.map(({ settings }) => settings.name).join(", "));
  const running = feeds.filter(({ settings }) => settings.enabled).length;
  return running === 0
    ? say.readyAndStopped(feeds.length, feeds.length === 1 ? "feed is" : "feeds are")
    : say.ofFeedsRun(running, feeds.length);
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
        <dt>{say.comeAsFarAs}</dt>
        <dd>
          {stamp(feed.cursorUtc)}, {number(feed.valueCount)} values
        </dd>
        <dt>{say.lastFineNext}</dt>
        <dd>
          {stamp(feed.lastFineUtc)}, {settings.enabled ? stamp(feed.nextUtc) : "stopped"}
        </dd>
        {feed.lastFault && (
          <>
            <dt>Last fault</dt>
            <dd className={chapter.clay}>{say.inARow(feedFaultInWords(feed.lastFault), feed.failures, stamp(feed.lastTriedUtc))}</dd>
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

function NewFeed({ meters, hosts, add }: { meters: readonly string[]; hosts: readonly string[]; add: (settings: FeedSettings) => void }) {
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
    add(read.data);
  };
  return (
    <section className={chapter.section}>
      <h2>{say.addAFeed}</h2>
      <div className={styles.newFeed}>
        <TextInput label="Name" value={String(draft.name ?? "")} onChange={(event) => set({ name: event.currentTarget.value })} />
        <TextInput
          label="Address"
          description={hosts.length > 0 ? `Allowed hosts: ${hosts.join(", ")}` : say.noHostIsAllowedYetDusty}
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
              label={say.listOfRows}
              description={say.aPathSuchAsDataRows}
              value={String(draft.rows)}
              onChange={(event) => set({ rows: event.currentTarget.value })}
            />
            <TextInput
              label={say.fieldOfTheTime}
              value={String(draft.time)}
              onChange={(event) => set({ time: event.currentTarget.value })}
            />
            <TextInput
              label={say.fieldOfTheValue}
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
        <Button onClick={submit}>{say.addAndStartIt}</Button>
      </div>
    </section>
  );
}
