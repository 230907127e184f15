"use client";

import { MantineProvider } from "@mantine/core";
import { setNonce } from "get-nonce";
import type { ReactNode } from "react";
import { WorkingProvider } from "@/features/kit/workings/WorkingPanel";
import { theme, variables } from "./theme";

/** Theme, styles under the page's nonce, and the panel in which figures show their working. */
export function Providers({ nonce, children }: { nonce: string; children: ReactNode }) {
  if (nonce) setNonce(nonce);
  return (
    <MantineProvider theme={theme} cssVariablesResolver={variables} defaultColorScheme="auto" getStyleNonce={() => nonce}>
      <WorkingProvider>{children}</WorkingProvider>
    </MantineProvider>
  );
}
