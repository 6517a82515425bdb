/** What the phone knows, as the views read it. */
import { useSyncExternalStore } from "react";
import { current, type PhoneState, subscribe } from "./sync";

export const usePhone = (): PhoneState => useSyncExternalStore(subscribe, current);

export { chooseUnits, unitsOf } from "./units";
