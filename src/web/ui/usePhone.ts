import { useSyncExternalStore } from "react";

const phone = window.matchMedia("(max-width: 700px)");
const subscribe = (told: () => void) => {
  phone.addEventListener("change", told);
  return () => phone.removeEventListener("change", told);
};

/** The screen has a phone's width (or is enlarged as far): views are lists of cards. */
export const usePhone = (): boolean => useSyncExternalStore(subscribe, () => phone.matches);
