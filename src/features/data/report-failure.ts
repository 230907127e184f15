"use client";

import { notifications } from "@mantine/notifications";
import { asRefused } from "./refused-call";

/** Says on the page that something failed which nobody asked for by a button. The same failure is said once. */
export function reportFailure(error: unknown): void {
  const { code, message, help } = asRefused(error);
  notifications.show({ id: code, title: message, message: help, color: "clay", autoClose: 8000 });
}
