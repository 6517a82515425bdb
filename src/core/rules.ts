/** Every rule that can stand behind a figure: what it is called, how far it can be trusted, and where it comes from. */
import type { Trust } from "./why";

export interface Rule {
  title: string;
  trust: Trust;
  source: string;
}

const pub = (title: string, source: string): Rule => ({ title, trust: "pub", source });
const trade = (title: string): Rule => ({
  title,
  trust: "trade",
  source: "Common practice among strength coaches, no published source",
});
const house = (title: string): Rule => ({ title, trust: "house", source: "Our own assumption, adjustable" });

export const RULES: Readonly<Record<string, Rule>> = {
  "gate.clearance": trade("Clearance first"),
  "gate.minor": trade("Under 18"),
  "gate.new": trade("New lifters start unloaded"),
  "phase.day": trade("Phases belong to days"),
  "emphasis.layered": house("Layered approach"),
  "emphasis.early": house("Base, early and late"),
  "approach.pending": house("Approach not built yet"),
  "restore.visits": trade("Restore after a race"),
  "illness.back": trade("Back from illness"),
  "stepback.every": trade("Step-back week"),
  "stepback.endurance": trade("Step-back with the endurance"),
  "figures.monotony": pub(
    "Monotony and strain",
    "Foster 1998, Med Sci Sports Exerc 30(7):1164-1168: mean daily load / standard deviation; load x monotony",
  ),
  "figures.means": pub(
    "7-day and 28-day means",
    "Williams et al. 2017, Br J Sports Med 51:209-210. A description only: using their ratio to foresee injury is disputed (Impellizzeri et al. 2020)",
  ),
  "figures.longest": pub(
    "Longest session",
    "Frandsen et al. 2025, Br J Sports Med 59:1203-1210: single sessions far above the month's longest look worse than weekly change",
  ),
  "mileage.jump": trade("Mileage jump"),
  "mileage.leap": trade("Mileage leap"),
  "mileage.room": trade("Room for progress"),
  "taper.light": trade("Last light session"),
  "taper.week": pub(
    "Intensity held, volume cut",
    "Bosquet et al. 2007, Med Sci Sports Exerc 39(8):1358-1365, on endurance volume; carrying it to strength sets is our step. Ronnestad, Hansen, Raastad 2010 for one weekly session",
  ),
  "race.b": trade("B race"),
  "race.c": trade("C race"),
  "depth.week": house("Depth limit of a week"),
  "depth.day": house("Depth limit of a day"),
  "load.percent": house("Load from e1RM"),
  "load.progress": house("Load from the last log"),
  "load.rir": trade("By repetitions and reserve"),
  "load.light": trade("Light load while restoring"),
  "load.makeable": house("What the room can make"),
  "load.unknown": trade("Find the load on the floor"),
  "past.log": trade("Logged as it was"),
  "choice.sport": house("Choice for the sport"),
  "choice.swap": trade("Replaced"),
  "side.first": trade("Weaker side first"),
  "pair.rest": trade("Paired work"),
  "time.drop": trade("Dropped to fit the time"),
  "progress.pain": pub("Pain first", "After Thomee 1997, Phys Ther 77:1690-1703"),
  "progress.form": trade("Only clean reps count"),
  "progress.spare": pub("Spare reps", "NSCA Essentials, 4th ed., 2-for-2; three past the top is common practice"),
  "progress.range": trade("Inside the rep range"),
  "progress.effort": house("Effort against target"),
  "progress.cap": trade("No increase now"),
  "progress.step": trade("10% at once, 5% a week"),
  "progress.missed": trade("Missed weeks"),
  "progress.same": trade("Same again"),
  "fit.place": house("Least-cost placement"),
  M1: trade("Inside a window, with the equipment and the time"),
  M2: trade("Race day and the blocked days around it"),
  M3: trade("24 h between loaded lower-body sessions"),
  M4: trade("No overlap with endurance, 3 h from leg-heavy work"),
  M6: trade("A locked session stays"),
  S1: trade("48 h between heavy lower sessions"),
  S2: pub("Heavy legs before a key session", "Doma et al. 2017, Sports Med 47:2187-2200"),
  S3: trade("Order on one day"),
  S4: pub("Hours between strength and endurance", "Robineau et al. 2016, J Strength Cond Res 30(3):672-683"),
  S5: trade("Hard days hard, or spread"),
  S13: trade("Softer spacing around B and C races"),
  thin: house("Hold session too thin"),
  whole: house("Work that the window or the place cannot hold"),
};
