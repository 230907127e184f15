import localFont from "next/font/local";

/**
 * The two faces of the house. The usual letters come ahead of the page, which waits for them a moment before it is drawn (AwaitFaces), with a fallback of the same measures: no line moves afterwards.
 * Letters of other scripts are fetched where a page has them, by their range, and taken from the next page on.
 */
const serif = localFont({
  src: [
    {
      path: "../../node_modules/@fontsource-variable/newsreader/files/newsreader-latin-wght-normal.woff2",
      weight: "200 800",
      style: "normal",
    },
    {
      path: "../../node_modules/@fontsource-variable/newsreader/files/newsreader-latin-wght-italic.woff2",
      weight: "200 800",
      style: "italic",
    },
  ],
  display: "swap",
  variable: "--font-serif",
  adjustFontFallback: "Times New Roman",
});

const sans = localFont({
  src: "../../node_modules/@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2",
  weight: "200 900",
  display: "swap",
  variable: "--font-sans",
  adjustFontFallback: "Arial",
});

const serifMore = localFont({
  src: [
    {
      path: "../../node_modules/@fontsource-variable/newsreader/files/newsreader-latin-ext-wght-normal.woff2",
      weight: "200 800",
      style: "normal",
    },
    {
      path: "../../node_modules/@fontsource-variable/newsreader/files/newsreader-latin-ext-wght-italic.woff2",
      weight: "200 800",
      style: "italic",
    },
  ],
  declarations: [
    {
      prop: "unicode-range",
      value:
        "U+0100-02BA,U+02BD-02C5,U+02C7-02CC,U+02CE-02D7,U+02DD-02FF,U+0304,U+0308,U+0329,U+1D00-1DBF,U+1E00-1EFF,U+2020,U+20A0-20AB,U+20AD-20C0,U+2113,U+2C60-2C7F,U+A720-A7FF",
    },
  ],
  display: "optional",
  preload: false,
  variable: "--font-serif-more",
  adjustFontFallback: false,
});

const sansLatinMore = localFont({
  src: "../../node_modules/@fontsource-variable/source-sans-3/files/source-sans-3-latin-ext-wght-normal.woff2",
  weight: "200 900",
  declarations: [
    {
      prop: "unicode-range",
      value:
        "U+0100-02BA,U+02BD-02C5,U+02C7-02CC,U+02CE-02D7,U+02DD-02FF,U+0304,U+0308,U+0329,U+1D00-1DBF,U+1E00-1EFF,U+2020,U+20A0-20AB,U+20AD-20C0,U+2113,U+2C60-2C7F,U+A720-A7FF",
    },
  ],
  display: "optional",
  preload: false,
  variable: "--font-sans-latin-more",
  adjustFontFallback: false,
});

const sansCyrillic = localFont({
  src: "../../node_modules/@fontsource-variable/source-sans-3/files/source-sans-3-cyrillic-wght-normal.woff2",
  weight: "200 900",
  declarations: [{ prop: "unicode-range", value: "U+0301,U+0400-045F,U+0490-0491,U+04B0-04B1,U+2116" }],
  display: "optional",
  preload: false,
  variable: "--font-sans-cyrillic",
  adjustFontFallback: false,
});

const sansGreek = localFont({
  src: "../../node_modules/@fontsource-variable/source-sans-3/files/source-sans-3-greek-wght-normal.woff2",
  weight: "200 900",
  declarations: [{ prop: "unicode-range", value: "U+0370-0377,U+037A-037F,U+0384-038A,U+038C,U+038E-03A1,U+03A3-03FF" }],
  display: "optional",
  preload: false,
  variable: "--font-sans-greek",
  adjustFontFallback: false,
});

/** Classes that give the page its faces, as `--font-…` of tokens.css. */
export const FACES = [serif, serifMore, sans, sansLatinMore, sansCyrillic, sansGreek].map(({ variable }) => variable).join(" ");
