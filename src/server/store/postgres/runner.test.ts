import { describe, expect, it } from "vitest";
import { forServer } from "./runner";

describe("a statement for a database server", () => {
  it("has numbers where values go, and leaves alone what stands in quotes", () => {
    expect(forServer("DELETE FROM race WHERE id = ? AND date = ?")).toBe(
      "DELETE FROM race WHERE id = $1 AND date = $2",
    );
    expect(forServer("UPDATE edit SET what = replace(what, ?, 'why? it''s gone?') WHERE id = ?")).toBe(
      "UPDATE edit SET what = replace(what, $1, 'why? it''s gone?') WHERE id = $2",
    );
    expect(forServer('SELECT "end" FROM coach_absence WHERE id = $1')).toBe(
      'SELECT "end" FROM coach_absence WHERE id = $1',
    );
  });

  it("finds what is there already by a key that begins with the club", () => {
    expect(
      forServer('INSERT INTO access VALUES (?, ?) ON CONFLICT ( "name" ) DO UPDATE SET data = excluded.data'),
    ).toBe('INSERT INTO access VALUES ($1, $2) ON CONFLICT (club_id, "name" ) DO UPDATE SET data = excluded.data');
    expect(forServer("INSERT INTO hidden_batch VALUES (?) ON CONFLICT DO NOTHING")).toBe(
      "INSERT INTO hidden_batch VALUES ($1) ON CONFLICT DO NOTHING",
    );
  });
});
