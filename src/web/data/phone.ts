/** Queries and writes of athletes' phones, and of what came in from them. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { MessageBody } from "../../api/requests";
import type { AccessLogView, CameInView, DeviceView, InvitationView, PhoneView } from "../../api/views";
import { ask, del, get, post, put } from "./api";
import { renew } from "./hooks";
import { useMay } from "./session";

const CAME_IN = ["came-in"];
/** How often it is asked what came in, ms. */
const AGAIN_MS = 20_000;

export function useCameIn() {
  const may = useMay();
  return useQuery({
    queryKey: CAME_IN,
    queryFn: () => get<CameInView>("/came-in"),
    refetchInterval: AGAIN_MS,
    enabled: may("came-in"),
  });
}
export const usePhone = (id: string) =>
  useQuery({
    queryKey: ["a", id, "phone"],
    queryFn: () => get<PhoneView>(`/athletes/${id}/phone/coach`),
    refetchInterval: AGAIN_MS,
  });
export const usePhones = (id: string) =>
  useQuery({
    queryKey: ["a", id, "phones"],
    queryFn: () => get<DeviceView[]>(`/athletes/${id}/phone/devices`),
    staleTime: 60_000,
  });
export const useAccessLog = (id: string, on: boolean) =>
  useQuery({ queryKey: ["a", id, "access"], queryFn: () => get<AccessLogView>(`/athletes/${id}/access`), enabled: on });

function usePhoneWrite<V, R>(id: string, write: (value: V) => Promise<R>) {
  const client = useQueryClient();
  return useMutation({ mutationFn: write, onSuccess: () => renew(client, ["a", id, "phone"], CAME_IN) });
}
/** The answer holds a code, so that nothing of it is kept to be sent again. */
export const useInvitePhone = (id: string) =>
  usePhoneWrite(id, () => ask<InvitationView>(`/athletes/${id}/phone/invitations`, {}));
export const useSignOutPhone = (id: string) =>
  usePhoneWrite(id, (row: string) => del(`/athletes/${id}/phone/devices/${row}`));
export const usePublish = (id: string) =>
  usePhoneWrite(id, ({ monday, note }: { monday: string; note: string }) =>
    put(`/athletes/${id}/published/${monday}`, { note }),
  );
export const useTakeBack = (id: string) =>
  usePhoneWrite(id, (monday: string) => del(`/athletes/${id}/published/${monday}`));
export const useWrite = (id: string) =>
  usePhoneWrite(id, (body: MessageBody) => post(`/athletes/${id}/messages`, body));
export const useSettle = () =>
  usePhoneWrite("", ({ athlete, ...body }: { athlete: string; thing: string; done: boolean; until: string | null }) =>
    put(`/came-in/${athlete}/settled`, body),
  );
