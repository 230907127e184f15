"use client";

import { Button, Switch } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { z } from "zod";
import { type Feed, feedSchema } from "@/contracts/feeds";
import { ask, tell } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { feedFaultInWords } from "@/wording/feeds";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/readings";
import { NewFeed } from "./NewFeed";
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
              turn={(enabled) => act(() => tell("PATCH", `${path}/${feed.id}`, { enabled, version: feed.version }))}
              pull={() => act(() => tell("PATCH", `${path}/${feed.id}`, { pullNow: true, version: feed.version }))}
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
