"use client";

import { useEffect, useRef, useState } from "react";
import { NewestFirst } from "./newest-first";
import { reportFailure } from "./report-failure";

/**
 * What an engine answers, the newest question first. Keeps the last answer while the next is on its way; null before the first. A question that
 * fails is said on the page.
 */
export function useNewestAnswer<E, Q, A>(engine: E | null, question: Q, ask: (engine: E, question: Q) => Promise<A>): A | null {
  const [answer, setAnswer] = useState<A | null>(null);
  const desk = useRef<NewestFirst<Q, A> | null>(null);
  const how = useRef(ask);
  // A new engine starts afresh: an answer that the old one still owed never comes.
  useEffect(() => {
    if (!engine) return;
    const opened = new NewestFirst<Q, A>((asked) => how.current(engine, asked), setAnswer, reportFailure);
    desk.current = opened;
    return () => opened.end();
  }, [engine]);
  // A question is told apart by its text, so that an equal one made anew is not asked again.
  const text = JSON.stringify(question);
  useEffect(() => {
    if (engine) desk.current?.put(JSON.parse(text) as Q);
  }, [engine, text]);
  return answer;
}
