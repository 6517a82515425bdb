/** Queries and writes of accounts. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { AccountBody, ChangeAccountBody } from "../../api/requests";
import type { AccountView, DeviceView } from "../../api/views";
import { ask, del, get, put } from "./api";
import { renew } from "./hooks";

const ACCOUNTS = ["accounts"];
const DEVICES = ["devices"];

export const useAccounts = (on: boolean) =>
  useQuery({ queryKey: ACCOUNTS, queryFn: () => get<AccountView[]>("/accounts"), enabled: on });
export const useDevices = (on: boolean) =>
  useQuery({ queryKey: DEVICES, queryFn: () => get<DeviceView[]>("/session/devices"), enabled: on });

function useAccountWrite<V, R>(write: (value: V) => Promise<R>) {
  const client = useQueryClient();
  return useMutation({ mutationFn: write, onSuccess: () => renew(client, ACCOUNTS, DEVICES) });
}

/** Answers hold codes, so that nothing of them is kept to be sent again. */
export const useInvite = () =>
  useAccountWrite((body: AccountBody) => ask<{ id: string; code: string }>("/accounts", body));
export const useNewInvitation = () =>
  useAccountWrite((id: string) => ask<{ code: string }>(`/accounts/${id}/recovery`, {}));
export const useChangeAccount = () =>
  useAccountWrite(({ id, ...body }: ChangeAccountBody & { id: string }) => put(`/accounts/${id}`, body));
export const useRemoveAccount = () => useAccountWrite((id: string) => del(`/accounts/${id}`));
export const useSignOutDevice = () => useAccountWrite((id: string) => del(`/session/devices/${id}`));
export const useSetPassword = () =>
  useAccountWrite((body: { before: string; password: string }) => put("/session/password", body));
