/** What a page says when the server gave no answer that it understands. */
export const SERVER_WORDS = {
  "no-answer": { message: "The server does not answer.", help: "Is Dusty Ledger still running? Start it and try again." },
  "unexpected-answer": {
    message: "The server's answer is not understood.",
    help: "Reload the page: it may be of another edition than the server.",
  },
  "broke-off": { message: "The server broke off in the middle of its answer.", help: "Drop the file again." },
  unknown: { message: "Something went wrong on this page.", help: "Reload the page and try again." },
} as const;
