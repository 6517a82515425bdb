/** Spreadsheets of strength work: names known before, what rows would become, rows taken over. */
import { useQuery } from "@tanstack/react-query";
import type { KnownNames, SpreadsheetAnswer, SpreadsheetBody, SpreadsheetFates } from "../../api/spreadsheet";
import { ask, get, post } from "./api";
import { useClubChange } from "./hooks";

export const useKnownNames = () =>
  useQuery({ queryKey: ["spreadsheet", "names"], queryFn: () => get<KnownNames>("/spreadsheet/names") });

/** @param key tells one set of rows from another */
export const useSheetPreview = (key: string, body: SpreadsheetBody, enabled: boolean) =>
  useQuery({
    queryKey: ["spreadsheet", "preview", key],
    queryFn: ({ signal }) => ask<SpreadsheetFates>("/spreadsheet/preview", body, signal),
    enabled,
    gcTime: 0,
    retry: false,
    placeholderData: (before) => before,
  });

export const useTakeSheet = () =>
  useClubChange((body: SpreadsheetBody) => post<SpreadsheetAnswer>("/spreadsheet", body));
