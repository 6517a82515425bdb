/** A club goes from its own file to a database server and back, and is the same to the byte. */
import { mkdtempSync, rmSync } from "node:fs";
import { copyFile, mkdir } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { ClubDataView } from "../../src/api/views";
import { contentOf, moveClub } from "../../src/server/store/move";
import { Store } from "../../src/server/store/store";
import { newClub, ON_SERVER, testDatabaseServer } from "../support/clubs";
import { everything, fullClub, MONDAY } from "../support/fullClub";
import { testServer } from "../support/server";

/** Addresses whose answers are not the same to the byte. */
const differing = (a: Record<string, string>, b: Record<string, string>): string[] =>
  [...new Set([...Object.keys(a), ...Object.keys(b)])].filter((path) => a[path] !== b[path]);

describe.runIf(ON_SERVER)("a club that is moved", () => {
  let folder = "";
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), "field-anchor-move-"));
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const file = (name: string) => Store.open(join(folder, name, "field-anchor.sqlite"));
  const onServer = async () => Store.onServer(await testDatabaseServer(), await newClub(), folder);

  it("to a server and back has the same files, views and rows, changes and undoes there as here", async () => {
    const first = await file("first");
    const here = await testServer(undefined, { store: first });
    const ids = await fullClub(here);
    await first.accounts.addOwner("wren", "Wren Aldous", "a long password here");
    const [owner] = await first.accounts.list();
    await first.accounts.signIn(owner?.id ?? "", "A browser");
    await first.accounts.addPasskey({
      id: "key",
      accountId: owner?.id ?? "",
      publicKey: "p",
      counter: 3,
      transports: "[]",
      name: "Phone",
    });
    await first.accounts.newCalendar(ids[0] ?? "");
    const looked = {
      athleteId: ids[0] ?? "",
      day: "2026-03-03",
      account: "a",
      what: "week",
      changed: true,
      who: "Wren",
    };
    await first.phone.looked(looked, 2);
    const gone = await first.athletes.add((await first.athletes.get(ids[1] ?? ""))!.record);
    await first.athletes.erase(gone);
    // Looking at reviews writes past weeks down, which the next look at the season knows.
    await everything(here, ids);
    const said = await everything(await testServer(undefined, { store: first }), ids);
    expect(Object.values(said).every((text) => text.length > 2)).toBe(true);

    const there = await onServer();
    const moved = await moveClub(first, there);
    await there.refresh();
    // Every table had something to lose.
    expect(
      Object.entries(moved.counts).filter(([t, n]) => n === 0 && t !== "hidden_batch" && t !== "locked_session"),
    ).toEqual([]);
    const server = await testServer(undefined, { store: there });
    expect(differing(await everything(server, ids), said)).toEqual([]);

    const second = await file("second");
    expect(await moveClub(there, second)).toEqual(moved);
    await second.refresh();
    const back = await testServer(undefined, { store: second });
    expect(differing(await everything(back, ids), said)).toEqual([]);

    // What was changed before the move is taken back after it, the same in both.
    for (const s of [server, back, here]) {
      await s.call("POST", `/athletes/${ids[0]}/undo`);
      await s.call("PUT", `/athletes/${ids[0]}/notes/${MONDAY}`, { text: "after the move" });
      expect((await s.call("POST", `/athletes/${ids[0]}/undo`)).status).toBe(200);
    }
    const files = await Promise.all(
      [here, server, back].map(async (s) => (await s.raw("GET", `/athletes/${ids[0]}/file`)).text),
    );
    expect(new Set(files).size).toBe(1);
    for (const s of [here, server, back]) await s.close();
    for (const s of [first, second, there]) await s.close();
  });

  it("has copies that are clubs' files, taken from its own screen and put back by whoever runs the server", async () => {
    const store = await onServer();
    const server = await testServer(undefined, { store });
    const ids = await fullClub(server);
    expect((await server.call("POST", "/club/backups")).status).toBe(201);
    const { body } = await server.call<ClubDataView>("GET", "/club/data");
    expect([body.restores, body.backups.length, body.backups[0]?.athletes]).toEqual([false, 1, ids.length]);
    const name = body.backups[0]?.name ?? "";
    expect((await server.call("POST", "/club/restore", { backup: name })).status).toBe(409);
    const copy = join(folder, "copied", "field-anchor.sqlite");
    await mkdir(join(folder, "copied"));
    await copyFile(join(store.backups, name), copy);
    const opened = await Store.open(copy);
    expect(await contentOf(opened)).toEqual(await contentOf(store));
    for (const s of [opened, store]) await s.close();
    await server.close();
  });

  it("goes into no club that holds anybody, and leaves that as it is", async () => {
    const [from, to] = [await file("from"), await onServer()];
    const server = await testServer(undefined, { store: to });
    await fullClub(server);
    const before = await contentOf(to);
    await expect(moveClub(from, to)).rejects.toThrow(/not empty/);
    expect(await contentOf(to)).toEqual(before);
    await server.close();
    await from.close();
  });

  it("is all there or not at all: broken off on the way, nothing of it is stored", async () => {
    const [from, to] = [await file("half"), await onServer()];
    const server = await testServer(undefined, { store: from });
    await fullClub(server);
    await expect(
      moveClub(from, to, (table) => {
        if (table === "message") throw new Error("broken off");
      }),
    ).rejects.toThrow("broken off");
    expect(Object.values((await contentOf(to)).counts).every((n) => n === 0)).toBe(true);
    await server.close();
    await from.close();
  });
});
