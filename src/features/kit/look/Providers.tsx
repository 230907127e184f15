"use client";

import { MantineProvider } from "@mantine/core";
import { Notifications } from "@mantine/notifications";
import { setNonce } from "get-nonce";
import type { ReactNode } from "react";
import { QueryDesk } from "@/features/data/QueryDesk";
import { WorkingProvider } from "@/features/kit/workings/WorkingPanel";
import { theme, variables } from "./theme";

/** Theme, styles under the page's nonce, and the panel in which figures show their working. */
export function Providers({ nonce, children }: { nonce: string; children: ReactNode }) {
  if (nonce) setNonce(nonce);
  return (
    <MantineProvider theme={theme} cssVariablesResolver={variables} defaultColorScheme="auto" getStyleNonce={() => nonce}>
      <QueryDesk>
        <Notifications position="bottom-right" />
        <WorkingProvider>{children}</WorkingProvider>
      </QueryDesk>
    </MantineProvider>
  );
}
