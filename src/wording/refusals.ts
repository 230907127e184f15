// Longer than a file should be, on purpose: every "no" is worded in one catalogue, so that like things are said alike.
import type { Problem } from "@/contracts/problems";
import type { RefusalFacts, RefusalReason } from "@/contracts/refusals";
import type { LedgerAccount } from "@/core/accounts";
import type { BillFault } from "@/core/money";
import { ACCOUNT_NAMES } from "./accounts";
import { UNCLEAR_EFFECTS } from "./field-book";
import { billFaultWords, type FaultWords } from "./money";
import { inPlainText } from "./problems";

type Say = (facts: RefusalFacts, problems: readonly Problem[]) => string;

const RELOAD = "Reload the page.";
const OWN_ADDRESS = "Open Dusty Ledger by its own address, as printed when it started.";

const billFaultOf = ({ fault, ...facts }: RefusalFacts): FaultWords => billFaultWords({ kind: fault, ...facts } as unknown as BillFault);
const firstError = (problems: readonly Problem[]): string => {
  const first = problems.find(({ severity }) => severity === "error");
  return first ? inPlainText(first) : "The file can't be read.";
};

const REFUSALS: Readonly<Record<RefusalReason, { readonly message: Say; readonly help: Say }>> = {
  "book-not-found": {
    message: (f) => `There is no book “${f.slug}” on this shelf.`,
    help: () => "Go back to the shelf and open one of the books there.",
  },
  "book-changed": {
    message: () => "The book was changed in another window since this page was opened.",
    help: () => "Reload the page, then make your change again.",
  },
  "decision-changed": {
    message: () => "Somebody else decided about one of these findings since this page was opened.",
    help: () => "Reload the page and look again. Nothing was changed.",
  },
  "feed-changed": {
    message: () => "This feed was changed in another window since this page was opened.",
    help: () => "Reload the page, then make your change again.",
  },
  "variant-changed": {
    message: (f) => `A variant “${f.name}” was kept in another window since this page was opened.`,
    help: () => "Give this one another name, or reload the page and keep it again.",
  },
  "feed-not-found": { message: (f) => `This book has no feed ${f.feedId}.`, help: () => "Reload the page." },
  "too-many-entries": {
    message: (f) => `The field book holds ${f.count} entries; with ${f.more} more there would be over ${f.most}.`,
    help: () => "Take out those that are no longer needed, or bring fewer. Nothing was stored.",
  },
  "too-many-feeds": { message: (f) => `The book has ${f.count} feeds.`, help: () => "Remove one that is no longer needed." },
  "feed-name-taken": { message: (f) => `The book has a feed “${f.name}” already.`, help: () => "Give this one another name." },
  "feed-meter-unknown": { message: (f) => `The book has no meter ${f.meterId}.`, help: (f) => `Choose one of ${f.meters}.` },
  "json-columns-missing": {
    message: () => "A JSON feed needs to know where its rows are.",
    help: () => "Name the list of rows, the field of the time, and the fields of the values.",
  },
  "host-not-listed": {
    message: (f) => `The host of ${f.url} is not on the list of hosts that may be fetched.`,
    help: (f) => `Allowed: ${f.hosts}. Whoever runs the server adds hosts with DUSTY_LEDGER_FEED_HOSTS.`,
  },
  "entry-breaks-site": {
    message: () => "With this change the site document would no longer fit together.",
    help: () => "Write the entry without changing the model, and make the change in the Site chapter.",
  },
  "photo-too-large": {
    message: (f) => `The photo has ${f.megabytes} MB; at most ${f.mostMegabytes} MB are taken.`,
    help: () => "Send a smaller one: photos taken in this app are made small by themselves. Nothing was stored; what you wrote stays here.",
  },
  "no-photo": {
    message: () =>
      "This file is no photo that can be read: its first bytes are not those of a JPEG, PNG or WebP picture, or the picture is damaged.",
    help: () => "Choose a photo taken by a camera or phone. Nothing was stored; what you wrote stays here.",
  },
  "entry-meter-unknown": {
    message: (f) => `This book has no meter “${f.meter}”.`,
    help: (f) => `Choose one of ${f.meters}, or leave it empty.`,
  },
  "entry-array-unknown": {
    message: (f) => `This book has no array “${f.array}”.`,
    help: (f) => `Choose one of ${f.arrays}, or leave it empty.`,
  },
  "entry-in-future": {
    message: (f) => `The entry is dated ${f.date}, which is still to come.`,
    help: () => "Write things down when they have happened, or mend the date.",
  },
  "entry-before-commissioning": {
    message: (f) => `The entry is dated ${f.date}; this plant was commissioned on ${f.commissioned}.`,
    help: () => "Mend the date, or the day of commissioning in the Site chapter. Nothing was stored; what you wrote stays here.",
  },
  "book-changed-while-writing": {
    message: () => "The book was changed in another window since this was written.",
    help: () => "Reload the page, then write it again.",
  },
  "entry-known-otherwise": {
    message: () => "Another entry was written under the same id.",
    help: () => "Write this one as an entry of its own: with an id of its own, where a program sends it.",
  },
  "entry-gone": { message: () => "That entry is already gone.", help: () => "Reload the page." },
  "batch-not-found": { message: (f) => `This book has no import ${f.batchId}.`, help: () => "Reload the page." },
  "imported-again": {
    message: (f) => `${f.fileName} was imported again since.`,
    help: () => "It stands already; nothing needs to be brought back.",
  },
  "upload-gone": { message: () => "The uploaded file is no longer there.", help: () => "Drop the file again." },
  "import-cancelled": { message: () => "The import was cancelled. Nothing was stored.", help: () => "Drop the file again to start over." },
  "module-not-found": {
    message: (f) => `${f.asked} is no module, or no day, of this book's readings of single modules.`,
    help: () => "Open Ledger, Modules: it names what there is.",
  },
  "month-not-found": { message: (f) => `${f.month} is no month of this ledger.`, help: () => "Reload the page." },
  "no-weather-of-year": { message: (f) => `This book has no weather of ${f.year}.`, help: () => "Choose one of its years." },
  "no-weather": { message: () => "This book has no weather yet.", help: () => "Bring a weather file in the Readings chapter." },
  "no-remedy": {
    message: (f) => `${f.kind}, ${f.fromUtc}Z: there is no remedy to accept.`,
    help: () => "Leave it as it is; it is set apart, not counted.",
  },
  "finding-not-found": {
    message: (f) => `The examination has no finding ${f.findingKey}.`,
    help: () => "The readings changed meanwhile: reload the page.",
  },
  "meter-without-readings": {
    message: (f) => `There are no readings of a meter “${f.meterId}”.`,
    help: () => "Choose a meter of this book, or the whole site.",
  },
  "no-production": { message: () => "This book has no production yet.", help: () => "Bring the meter's file in the Readings chapter." },
  reckoning: {
    message: () => "This book is still being reckoned.",
    help: () => "Ask again in a few seconds; the sums go on.",
  },
  "database-away": {
    message: () => "The database does not answer at this moment.",
    help: () => "Try again in a few seconds: it is started again by itself. Nothing was half stored; what you wrote stays here.",
  },
  "change-waits": {
    message: () => "Another change of this book is still being stored.",
    help: () => "Nothing of yours was stored; it stays here. Try again in a moment.",
  },
  "disk-full": {
    message: () => "There is no room left on the disk.",
    help: () => "Nothing was stored. Make room on the machine where Dusty Ledger runs, then try again.",
  },
  "folder-closed": {
    message: () => "Files can't be written on the machine where Dusty Ledger runs.",
    help: () =>
      "Nothing was stored. Let its user write to the folder that holds its files, or look whether the disk is well; then try again.",
  },
  "uploads-full": {
    message: (f) => `Uploaded files that wait to be put in hold ${f.megabytes} MB; at most ${f.mostMegabytes} MB may wait.`,
    help: () => "Put in or leave those that you dropped before; what waits is dropped by itself after a day.",
  },
  "set-aside-time": {
    message: () => "This book was set aside: its sums took longer than a minute.",
    help: () =>
      "Try again, or make it lighter in the Site and Readings chapters: fewer arrays and obstacles, or readings by coarser steps. The other books go on.",
  },
  "set-aside-memory": {
    message: () => "This book was set aside: its sums took more memory than one book may have.",
    help: () =>
      "Try again, or make it lighter in the Site and Readings chapters: fewer arrays and obstacles, or readings by coarser steps. The other books go on.",
  },
  "set-aside-fault": {
    message: () => "This book was set aside: its sums broke off through a fault of ours.",
    help: () => "Try again; the log names the fault. Nothing that is stored was changed, and the other books go on.",
  },
  "set-aside-document": {
    message: (_, [first]) =>
      `This book was set aside: its site document can't be read.${first ? ` ${inPlainText(first).replace(/^error: (.)/, (_all, letter: string) => letter.toUpperCase())}` : ""}`,
    help: () => "Its readings stay stored. Take its site file, correct what is named, and put it in its place.",
  },
  "sides-share-no-time": {
    message: (f) =>
      `The two sides share no time${f.stretch === "yes" ? " in this stretch" : ""}: one was read from ${f.from} to ${f.to}, the other from ${f.otherFrom} to ${f.otherTo}.`,
    help: () =>
      "Choose days that both have, or bring the readings that are missing. Two stretches after one another are no trial: use “before and after”.",
  },
  "variant-not-found": { message: (f) => `This book has no variant ${f.id}.`, help: () => "Reload the page." },
  "too-many-variants": {
    message: (f) => `The book holds ${f.count} variants.`,
    help: () => "Remove one that you no longer need, then keep this one.",
  },
  "variant-makes-no-site": { message: () => "This what-if makes no site.", help: () => "Correct the fields named and keep it again." },
  "file-empty": { message: (f) => `The file ${f.name} is empty.`, help: () => "Export it again, or choose another file." },
  "bills-changed": {
    message: () => "The bills were changed in another window since these were opened.",
    help: () => "Copy what you typed, reload the page, and enter it again. Nothing of the other's was overwritten.",
  },
  "bills-unreadable": {
    message: () => "These bills can't be read as they are; nothing was changed.",
    help: () => "Correct what is named below.",
  },
  "reader-fault": {
    message: () => "The reading of this file broke off through a fault of ours. Nothing was stored.",
    help: () => "Try again, or save the file in another form: a CSV of one column a quantity is read most surely. The log names the fault.",
  },
  "reader-memory": {
    message: () => "This file takes more memory to read than one file may have. Nothing was stored.",
    help: () => "Save it as CSV, or cut it by years and drop the parts one after another.",
  },
  "reader-time": {
    message: () => "The reading of this file stood still for a minute and was given up. Nothing was stored.",
    help: () => "Save it as CSV, or cut it by years and drop the parts one after another.",
  },
  "reading-cancelled": { message: () => "The reading was cancelled.", help: () => "Drop the file again to start over." },
  "bill-fault": {
    message: (f) => `${billFaultOf(f).what}${Number(f.more) > 0 ? ` (And ${f.more} more.)` : ""}`,
    help: (f) => billFaultOf(f).remedy,
  },
  "upload-cut-short": {
    message: (f) => `Only ${f.byteCount} of ${f.announcedBytes} bytes arrived.`,
    help: () => "Drop the file again. Nothing was stored.",
  },
  "upload-too-large": {
    message: (f) => `The file holds more than ${f.mostMegabytes} MB.`,
    help: () => "Pack it with gzip, or cut it by years and drop the parts one after another. Nothing was stored.",
  },
  "site-invalid": {
    message: (_, [first]) => (first ? inPlainText(first) : "The site document can't be read."),
    help: () => "Correct the fields named and try again.",
  },
  "file-refused": {
    message: (_, problems) => firstError(problems),
    help: () => "Correct the file and drop it again. Nothing was stored.",
  },
  "entry-effect-unclear": {
    message: () => "What this entry changes can't be read from it.",
    help: (f) => UNCLEAR_EFFECTS[f.expected as keyof typeof UNCLEAR_EFFECTS],
  },
  "month-closed": { message: (f) => `${f.month}: is closed.`, help: () => "Reopen the month first, with the reason." },
  "causes-sought-anew": {
    message: (f) => `${f.month}: its causes are being sought anew.`,
    help: () => "Wait until the page shows them, then do it again.",
  },
  "same-account": {
    message: (f) => `${f.month}: the posting already stands on that account.`,
    help: () => "Choose another account.",
  },
  "nothing-posted": {
    message: (f) => `${f.month}: nothing is posted on ${ACCOUNT_NAMES[f.account as LedgerAccount].name.toLowerCase()}.`,
    help: () => RELOAD,
  },
  "move-gone": { message: (f) => `${f.month}: that move is already gone.`, help: () => RELOAD },
  "month-open": { message: (f) => `${f.month}: is open already.`, help: () => RELOAD },
  "planner-array-unknown": {
    message: (f) => `The book has no array ${f.arrayId}.`,
    help: () => "Open the planner again and choose one of its arrays.",
  },
  "acceptance-without-record": {
    message: () => "There is no time in which both the light and the meter were read.",
    help: () => "Bring weather and readings of the same days in Readings.",
  },
  "acceptance-outside-record": {
    message: () => "The record has nothing in those days.",
    help: (f) => `It goes from ${f.first} to ${f.last}: choose days within.`,
  },
  "no-evidence": {
    message: (f) => `This is no evidence file of ours${f.path ? ` (${f.path}: ${f.fault})` : ""}.`,
    help: () => "Choose a file that was saved under Tests, Kept tests, Save as evidence, as it was saved.",
  },
  "capacity-interval-too-short": {
    message: (f) => `Readings come every ${f.step} minutes: intervals of ${f.asked} minutes can't be made of them.`,
    help: () => "Choose intervals that hold a whole number of them.",
  },
  "capacity-without-air": {
    message: () => "The weather has no air temperature, without which heat and capacity can't be told apart.",
    help: () => "Bring weather with air temperature in Readings.",
  },
  "test-named-already": {
    message: (f) => `There is a kept test “${f.name}” already, and kept tests are not written over.`,
    help: () => "Give it another name.",
  },
  "test-not-found": { message: (f) => `This book has no kept test ${f.id}.`, help: () => "Reload the page." },
  "too-many-tests": {
    message: (f) => `A book keeps ${f.count} tests at most.`,
    help: () => "Take one away that nobody needs.",
  },
  "trial-meter-without-readings": {
    message: (f) => `There are no production readings of a meter “${f.meterId}” in this book.`,
    help: (f) =>
      Number(f.count) > 1 ? `Choose two of ${f.known}.` : "A trial needs two meters with readings: bring both in the Readings chapter.",
  },
  "variant-array-unknown": { message: (f) => `The book has no array ${f.arrayId}.`, help: (f) => `Choose one of ${f.arrays}, or all.` },
  "events-unreadable": { message: () => "This events file can't be read.", help: () => "Nothing was stored. Mend the rows named below." },
  "photo-without-length": { message: () => "The photo came without its length.", help: () => "Send it again from this page." },
  "photo-gone": { message: () => "That photo is gone.", help: () => "Its entry was taken out of the field book; reload the page." },
  "entry-no-json": { message: (f) => `The entry is no JSON: ${f.fault}`, help: () => "Reload the page and send it again." },
  "address-not-readable": {
    message: () => "This address can't be read.",
    help: (f) => `It is longer than ${f.most} letters, or holds an escape that stands for no letter. ${OWN_ADDRESS}`,
  },
  "address-taken": {
    message: (f) => `Another book takes the address ${f.slug} again and again.`,
    help: () => "Give the site another name, then try again.",
  },
  "body-without-length": {
    message: () => "The request does not say how long it is.",
    help: () => "Send its length (Content-Length). Nothing of it was read.",
  },
  "body-too-large": {
    message: (f) => `The request holds ${f.size}; for ${f.what} at most ${f.most} are taken.`,
    help: () => "Send less, or in parts. Nothing of it was read.",
  },
  "body-too-slow": {
    message: () => "The request came too slowly and was given up.",
    help: () => "Send it again when the line is better. Nothing was stored.",
  },
  "too-busy": {
    message: () => "More is asked at this moment than can be answered.",
    help: (f) => `Ask again in ${f.seconds} seconds. Nothing was lost.`,
  },
  "foreign-host": { message: (f) => `The request names the host ${f.host}.`, help: () => OWN_ADDRESS },
  "foreign-origin": { message: (f) => `The request comes from ${f.origin || "nowhere that it names"}.`, help: () => OWN_ADDRESS },
  "request-not-understood": {
    message: (f) => `${f.path || "The request"}: ${f.fault || "is not understood"}`,
    help: () => "Reload the page and try again.",
  },
  "form-broken": {
    message: () => "The form did not arrive whole.",
    help: () => "Send it again. Nothing was stored; what you wrote stays here.",
  },
  "text-not-storable": {
    message: (f) => `${f.path || "The request"} holds a character that is no part of any text.`,
    help: () => "Type it again rather than paste it. Nothing was stored.",
  },
  "json-too-deep": {
    message: (f) => `${f.path} lies deeper than anything that is kept here.`,
    help: () => "Send the document as the guide describes it. Nothing was stored.",
  },
  "no-json": { message: () => "The request holds no JSON.", help: () => "Reload the page and try again." },
  "our-fault": { message: () => "Something went wrong on our side.", help: () => "Try again; the log names the fault." },
  "our-fault-nothing-stored": {
    message: () => "Something went wrong on our side. Nothing was stored.",
    help: () => "Try again; the log names the fault.",
  },
};

/** A refusal in words: what happened, and the way out. */
export function refusalInWords(refusal: {
  readonly reason: RefusalReason;
  readonly facts: RefusalFacts;
  readonly problems: readonly Problem[];
}): { readonly message: string; readonly help: string } {
  const { message, help } = REFUSALS[refusal.reason];
  return { message: message(refusal.facts, refusal.problems), help: help(refusal.facts, refusal.problems) };
}
