/** Imports and the training log, as the web reads and writes them. */
import { useQuery } from "@tanstack/react-query";
import type { ImportBody } from "../../api/requests";
import type { FeedView, ImportAnswer, ImportCounts } from "../../api/views";
import { ask, del, get, post, put } from "./api";
import { useChange } from "./hooks";

const base = (id: string) => `/athletes/${id}`;

export const useFeed = (id: string) =>
  useQuery({ queryKey: ["a", id, "feed"], queryFn: () => get<FeedView>(`${base(id)}/feed`) });
export const useLinkFeed = (id: string) =>
  useChange(id, (account: string | null) => put(`${base(id)}/feed`, { account }));
export const usePull = (id: string) => useChange(id, () => post<ImportCounts>(`${base(id)}/feed/pull`));
export const useUndoImport = (id: string) => useChange(id, (batch: string) => del(`${base(id)}/import/${batch}`));
export const useTakeImport = (id: string) =>
  useChange(id, (body: ImportBody) => post<ImportAnswer>(`${base(id)}/import`, body));
/** What would become of the rows. @param key tells one set of rows from another */
export const useImportPreview = (id: string, key: string, body: ImportBody, enabled: boolean) =>
  useQuery({
    queryKey: ["a", id, "import", key],
    queryFn: () => ask<ImportAnswer>(`${base(id)}/import/preview`, body),
    enabled,
    gcTime: 0,
  });
export const useSaveNote = (id: string) =>
  useChange(id, ({ monday, text }: { monday: string; text: string }) => put(`${base(id)}/notes/${monday}`, { text }));
