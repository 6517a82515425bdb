/** Queries and writes of what is said before a session. */
import type { CheckInBody } from "../../api/requests";
import type { ReadinessView } from "../../api/views";
import type { Label } from "../../core/athlete";
import { ask, put } from "./api";
import { useChange } from "./hooks";

const at = (id: string, date: string, label: Label): string => `/athletes/${id}/check-ins/${date}/${label}`;

/** What the answers would change; nothing is stored. */
export const askReadiness = (id: string, date: string, label: Label, body: CheckInBody): Promise<ReadinessView> =>
  ask(`${at(id, date, label)}/preview`, body);

export const useCheckIn = (id: string, date: string, label: Label) =>
  useChange(id, (body: CheckInBody) => put(at(id, date, label), body));
