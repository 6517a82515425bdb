/** Day or dusk: as the system says, or as chosen by hand on this device. Printed sheets are always those of the day. */
import { useSyncExternalStore } from "react";

export const THEME_CHOICES = ["system", "day", "dusk"] as const;
export type ThemeChoice = (typeof THEME_CHOICES)[number];
export const THEME_WORDS: Record<ThemeChoice, string> = { system: "As the system", day: "Day", dusk: "Dusk" };
export type Theme = "day" | "dusk";

const KEPT = "field-anchor:theme";
const dark = window.matchMedia("(prefers-color-scheme: dark)");
const listeners = new Set<() => void>();

const kept = localStorage.getItem(KEPT);
let choice: ThemeChoice = THEME_CHOICES.find((c) => c === kept) ?? "system";

/** @param system whether the system asks for dark */
export const themeOf = (chosen: ThemeChoice, system: boolean): Theme =>
  chosen === "system" ? (system ? "dusk" : "day") : chosen;

const current = (): Theme => themeOf(choice, dark.matches);

function apply(): void {
  document.documentElement.dataset.theme = current();
  for (const told of listeners) told();
}

export function chooseTheme(next: ThemeChoice): void {
  choice = next;
  localStorage.setItem(KEPT, next);
  apply();
}

dark.addEventListener("change", apply);
apply();

const subscribe = (told: () => void) => {
  listeners.add(told);
  return () => void listeners.delete(told);
};

/** What the page wears now; charts, which take colours as values, are drawn anew with it. */
export const useTheme = (): Theme => useSyncExternalStore(subscribe, current);
export const useThemeChoice = (): ThemeChoice => useSyncExternalStore(subscribe, () => choice);
