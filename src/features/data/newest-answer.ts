"use client";

import { useEffect, useRef, useState } from "react";

/**
 * What an engine answers, the newest question first: questions that were overtaken while it worked are dropped. Keeps the last answer while
 * the next is on its way; null before the first.
 */
export function useNewestAnswer<E, Q, A>(engine: E | null, question: Q, ask: (engine: E, question: Q) => Promise<A>): A | null {
  const [answer, setAnswer] = useState<A | null>(null);
  const desk = useRef<{ of: E | null; busy: boolean; wish: { question: Q } | null }>({ of: null, busy: false, wish: null });
  const how = useRef(ask);
  // A question is told apart by its text, so that an equal one made anew is not asked again.
  const text = JSON.stringify(question);
  useEffect(() => {
    if (!engine) return;
    // A new engine starts afresh: an answer that the old one still owed never comes.
    if (desk.current.of !== engine) desk.current = { of: engine, busy: false, wish: null };
    const current = desk.current;
    current.wish = { question: JSON.parse(text) as Q };
    const serve = async (): Promise<void> => {
      if (current.busy) return;
      current.busy = true;
      while (current.wish) {
        const { question: asked } = current.wish;
        current.wish = null;
        const got = await how.current(engine, asked);
        if (desk.current === current) setAnswer(got);
      }
      current.busy = false;
    };
    void serve();
  }, [engine, text]);
  return answer;
}
