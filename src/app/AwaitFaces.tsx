/** How long a page waits for its letters, ms: after that it is drawn with what there is. */
const MOST_WAIT_MS = 1500;

/**
 * Runs before the page is drawn: holds it unseen until the letters of its two faces are there, so that no line is drawn in another face and moves.
 * The page is whole without it.
 */
const script = `(() => {
  const root = document.documentElement;
  const style = getComputedStyle(root);
  const [serif, sans] = ["--font-serif", "--font-sans"].map((name) => style.getPropertyValue(name).split(",")[0].trim());
  if (!serif || !sans || !document.fonts) return;
  const show = () => root.removeAttribute("data-awaits-faces");
  root.setAttribute("data-awaits-faces", "");
  setTimeout(show, ${MOST_WAIT_MS});
  Promise.all(["16px " + serif, "italic 16px " + serif, "16px " + sans].map((face) => document.fonts.load(face))).then(show, show);
})();`;

export const AwaitFaces = ({ nonce }: { nonce: string }) => (
  // biome-ignore lint/security/noDangerouslySetInnerHtml: a text of our own, under the page's nonce
  <script nonce={nonce} dangerouslySetInnerHTML={{ __html: script }} />
);
