import "@mantine/core/styles.css";
import "@mantine/dropzone/styles.css";
import "@mantine/spotlight/styles.css";
import "@/features/kit/look/tokens.css";
import { ColorSchemeScript, mantineHtmlProps } from "@mantine/core";
import type { Metadata } from "next";
import { headers } from "next/headers";
import type { ReactNode } from "react";
import { Providers } from "@/features/kit/look/Providers";
import { say } from "@/wording/screens/app";
import { writingNow } from "@/wording/writing";
import { AwaitFaces } from "./AwaitFaces";
import { FACES } from "./fonts";

export const metadata: Metadata = {
  title: { default: "Dusty Ledger", template: "%s · Dusty Ledger" },
  description: say.whatTheSunOwedWhatThe,
};

// Every page carries the nonce of its request, so none can be rendered ahead.
export const dynamic = "force-dynamic";

export default async function RootLayout({ children }: { children: ReactNode }) {
  const nonce = (await headers()).get("x-nonce") ?? "";
  return (
    <html
      lang="en"
      className={FACES}
      data-locale={process.env.DUSTY_LEDGER_LOCALE || undefined}
      data-writing={writingNow().code}
      {...mantineHtmlProps}
    >
      <head>
        <AwaitFaces nonce={nonce} />
        <ColorSchemeScript nonce={nonce} defaultColorScheme="auto" />
      </head>
      <body>
        <Providers nonce={nonce}>{children}</Providers>
      </body>
    </html>
  );
}
