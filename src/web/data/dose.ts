/** Approaches, what athletes follow, sessions by hand, lifts and reviews, as queries and writes. */
import { useQuery } from "@tanstack/react-query";
import type { Card } from "../../api/make/card";
import type { ApproachBody, EditBody, FollowBody, OverruleBody, PreviewBody, ReviewBody } from "../../api/requests";
import type {
  ApproachesView,
  ApproachVersionView,
  ChangesView,
  CompareView,
  CopyResult,
  EditPreview,
  FollowView,
  LiftRow,
  LiftView,
  ReviewView,
  TemplateView,
} from "../../api/views";
import type { Label } from "../../core/athlete";
import { ask, del, get, post, put } from "./api";
import { useChange, useClubChange } from "./hooks";

const base = (id: string) => `/athletes/${id}`;

export const useApproaches = () =>
  useQuery({ queryKey: ["approaches"], queryFn: () => get<ApproachesView>("/approaches") });
export const useVersions = (approach: string, enabled: boolean) =>
  useQuery({
    queryKey: ["approaches", approach, "versions"],
    queryFn: () => get<ApproachVersionView[]>(`/approaches/${approach}/versions`),
    enabled,
  });
export const useFollow = (id: string) =>
  useQuery({ queryKey: ["a", id, "follow"], queryFn: () => get<FollowView>(`${base(id)}/follow`), enabled: id !== "" });
export const useCompare = (id: string, a: string, b: string) =>
  useQuery({
    queryKey: ["a", id, "compare", a, b],
    queryFn: () => ask<CompareView>(`${base(id)}/compare`, { a, b }),
    enabled: id !== "" && a !== b,
    placeholderData: (before) => before,
  });

export const useCopyApproach = () =>
  useClubChange((body: { basis: string; name: string }) => post<{ id: string }>("/approaches", body));
export const useSaveApproach = () =>
  useClubChange((body: ApproachBody) => put(`/approaches/${body.approach.id}`, body));
export const useDeleteApproach = () => useClubChange((id: string) => del(`/approaches/${id}`));
export const useSaveClubRules = () => useClubChange((rulesOff: string[]) => put("/approaches/rules", { rulesOff }));
/** Who follows an approach stands with the approaches too. */
export const useSaveFollow = (id: string) => useClubChange((body: FollowBody) => put(`${base(id)}/follow`, body));

/** Asks one athlete's plan what a change would alter. */
export const previewFor = (id: string, body: PreviewBody): Promise<ChangesView> =>
  ask<ChangesView>(`${base(id)}/dose-preview`, body);

const session = (id: string, date: string, label: Label) => `${base(id)}/sessions/${date}/${label}`;
export const previewEdit = (id: string, date: string, label: Label, body: EditBody): Promise<EditPreview> =>
  ask<EditPreview>(`${session(id, date, label)}/preview`, body);
export const useSaveEdit = (id: string, date: string, label: Label) =>
  useChange(id, (body: EditBody | null) =>
    body ? put(`${session(id, date, label)}/edit`, body) : del(`${session(id, date, label)}/edit`),
  );
export const useCopyEdit = (id: string, date: string, label: Label) =>
  useClubChange((to: string[]) => post<CopyResult[]>(`${session(id, date, label)}/copy`, { to }));

export const useTemplates = () =>
  useQuery({ queryKey: ["templates"], queryFn: () => get<TemplateView[]>("/templates") });
export const useSaveTemplate = () =>
  useClubChange((body: { name: string; items: EditBody["items"] }) => post<{ id: string }>("/templates", body));
export const useDeleteTemplate = () => useClubChange((id: string) => del(`/templates/${id}`));

export const useLifts = (id: string) =>
  useQuery({ queryKey: ["a", id, "lifts"], queryFn: () => get<LiftRow[]>(`${base(id)}/lifts`) });
export const useLift = (id: string, exercise: string) =>
  useQuery({
    queryKey: ["a", id, "lift", exercise],
    queryFn: () => get<LiftView>(`${base(id)}/lifts/${exercise}`),
    enabled: exercise !== "",
    placeholderData: (before) => before,
  });
export const useOverrule = (id: string) => useChange(id, (o: OverruleBody) => put(`${base(id)}/overrules`, o));
export const useNextDay = (id: string) =>
  useChange(id, (o: { date: string; exercise: string; pain: number }) => put(`${base(id)}/next-day`, o));
export const useTakeBackOverrule = (id: string) =>
  useChange(id, (o: { date: string; exercise: string }) => del(`${base(id)}/overrules/${o.date}/${o.exercise}`));

export const useCards = (id: string, date: string, label: string, per: 1 | 4) =>
  useQuery({
    queryKey: ["a", id, "cards", date, label, per],
    queryFn: () => get<Card[]>(`${base(id)}/cards/${date}/${label}?per=${per}`),
    placeholderData: (before) => before,
  });

export const useReview = (id: string, from: string, to: string) =>
  useQuery({
    queryKey: ["a", id, "review", from, to],
    queryFn: () => get<ReviewView>(`${base(id)}/review?from=${from}&to=${to}`),
    enabled: from !== "" && to !== "",
    placeholderData: (before) => before,
  });
export const useSaveReview = (id: string) => useChange(id, (body: ReviewBody) => put(`${base(id)}/reviews`, body));
