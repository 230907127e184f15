/** How long a page waits for its letters, ms: after that it is drawn with what there is. */
const MOST_WAIT_MS = 1500;

/**
 * Runs in the page before it is drawn: holds it unseen until the letters of its two faces are there, so that no line is drawn in another face and
 * moves. A page that was drawn without them keeps the letters it has until its reader goes on to another. The page is whole without it. Sent as its
 * own text: it may name nothing but what it is given.
 */
function awaitFaces(mostWaitMs: number): void {
  const root = document.documentElement;
  const style = getComputedStyle(root);
  const faces = ["--font-serif", "--font-sans"].map((name) => {
    const [own = "", ...standIns] = style.getPropertyValue(name).split(",");
    return { name, own: own.trim(), standIns: standIns.join(",").trim() };
  });
  if (faces.some(({ own }) => !own) || !document.fonts) return;
  const show = () => root.removeAttribute("data-awaits-faces");
  const goOnWithout = () => {
    for (const { name, standIns } of faces) if (standIns) root.style.setProperty(name, standIns);
    show();
    const afterAll = (event: MouseEvent) => {
      if (!(event.target instanceof Element && event.target.closest("a[href]"))) return;
      for (const { name } of faces) root.style.removeProperty(name);
      document.removeEventListener("click", afterAll, true);
    };
    document.addEventListener("click", afterAll, true);
  };
  root.setAttribute("data-awaits-faces", "");
  const late = setTimeout(goOnWithout, mostWaitMs);
  const there = () => {
    clearTimeout(late);
    show();
  };
  const wanted = faces.map(({ own }) => "16px ".concat(own));
  Promise.all([...wanted, "italic ".concat(wanted[0]!)].map((face) => document.fonts.load(face))).then(there, there);
}

export const AwaitFaces = ({ nonce }: { nonce: string }) => (
  // biome-ignore lint/security/noDangerouslySetInnerHtml: a text of our own, under the page's nonce
  <script nonce={nonce} dangerouslySetInnerHTML={{ __html: `(${awaitFaces.toString()})(${MOST_WAIT_MS})` }} />
);
