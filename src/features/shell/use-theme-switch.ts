"use client";

import { useComputedColorScheme, useMantineColorScheme } from "@mantine/core";
import { useCallback } from "react";

/** Day or lamp light; remembered by the browser. */
export function useThemeSwitch(): { dark: boolean; toggle: () => void } {
  const { setColorScheme } = useMantineColorScheme({ keepTransitions: false });
  const computed = useComputedColorScheme("light", { getInitialValueInEffect: true });
  const dark = computed === "dark";
  const toggle = useCallback(() => setColorScheme(dark ? "light" : "dark"), [dark, setColorScheme]);
  return { dark, toggle };
}
