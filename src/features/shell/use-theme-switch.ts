"use client";

import { useComputedColorScheme, useMantineColorScheme } from "@mantine/core";
import { useMounted } from "@mantine/hooks";
import { useCallback } from "react";

/** Day or lamp light; remembered by the browser. */
export function useThemeSwitch(): { dark: boolean; toggle: () => void } {
  const { setColorScheme } = useMantineColorScheme({ keepTransitions: false });
  const computed = useComputedColorScheme("light", { getInitialValueInEffect: true });
  // A remembered choice is known to the browser alone: before the page is joined to it, what the server drew must stand.
  const dark = useMounted() && computed === "dark";
  const toggle = useCallback(() => setColorScheme(dark ? "light" : "dark"), [dark, setColorScheme]);
  return { dark, toggle };
}
