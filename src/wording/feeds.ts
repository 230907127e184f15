import type { FeedFault, FeedFaultCode } from "@/contracts/feeds";
import { inPlainText } from "./problems";

type Word = (fault: FeedFault) => string;

/** What went wrong with a pull. */
const FAULTS: Readonly<Record<FeedFaultCode, Word>> = {
  "host-not-allowed": ({ facts }) => `The host of ${facts.url} is not on the list of hosts that may be fetched.`,
  "no-answer": ({ facts }) => `${facts.host} did not answer.`,
  "no-answer-in-time": ({ facts }) => `${facts.host} did not answer within ${facts.seconds} s.`,
  "broke-off": ({ facts }) => `${facts.host} broke off in the middle of its answer.`,
  "bad-status": ({ facts }) => `${facts.host} answered ${facts.status}.`,
  "too-large": ({ facts }) => `${facts.host} sends more than ${facts.mostMb} MB at once.`,
  redirected: ({ facts }) => `${facts.host} sends the request elsewhere; redirects are not followed.`,
  "not-json": () => "The answer is no JSON.",
  "no-rows": ({ facts }) => `The answer holds no list under “${facts.path}”.`,
  refused: ({ problem }) => `The answer was refused.${problem ? ` ${inPlainText(problem)}` : ""}`,
  "wrong-kind": ({ facts }) => `The answer holds ${facts.kind || "nothing that the ledger reads"}, not ${facts.wanted}.`,
  "future-readings": ({ facts }) => `The answer holds readings of the future, up to ${String(facts.lastUtc).slice(0, 16)}Z.`,
  written: ({ facts }) => String(facts.text),
};

export const feedFaultInWords = (fault: FeedFault): string => FAULTS[fault.code](fault);
