/** How long a page waits for its letters, ms: after that it is drawn with what there is. */
const MOST_WAIT_MS = 1500;

/**
 * Runs in the page before it is drawn: holds it unseen until the letters of its two faces are there, so that no line is drawn in another face and
 * moves. The page is whole without it. Sent as its own text: it may name nothing but what it is given.
 */
function awaitFaces(mostWaitMs: number): void {
  const root = document.documentElement;
  const style = getComputedStyle(root);
  const [serif, sans] = ["--font-serif", "--font-sans"].map((name) => (style.getPropertyValue(name).split(",")[0] ?? "").trim());
  if (!serif || !sans || !document.fonts) return;
  const show = () => root.removeAttribute("data-awaits-faces");
  root.setAttribute("data-awaits-faces", "");
  setTimeout(show, mostWaitMs);
  const faces = ["16px ".concat(serif), "italic 16px ".concat(serif), "16px ".concat(sans)];
  Promise.all(faces.map((face) => document.fonts.load(face))).then(show, show);
}

export const AwaitFaces = ({ nonce }: { nonce: string }) => (
  // biome-ignore lint/security/noDangerouslySetInnerHtml: a text of our own, under the page's nonce
  <script nonce={nonce} dangerouslySetInnerHTML={{ __html: `(${awaitFaces.toString()})(${MOST_WAIT_MS})` }} />
);
