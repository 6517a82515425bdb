/** Roles in words, where accounts are shown. */
import type { Role } from "./roles";

export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  owner: "Owner",
  coach: "Coach",
  assistant: "Assistant",
  athlete: "Athlete",
};
export const ROLE_SAYS: Readonly<Record<Role, string>> = {
  owner: "Everything, accounts and backups too.",
  coach: "Plans, health and records of the athletes assigned.",
  assistant: "Gym day, cards and logging of everybody; no health, no settings.",
  athlete: "What is their own: sessions, logging, check-in, homework, health.",
};
