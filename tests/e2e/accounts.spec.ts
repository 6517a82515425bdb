/** Accounts: the first owner, an invitation taken on a phone, what each role is shown, a session that ends in the middle of a sentence. */
import { readFileSync, rmSync } from "node:fs";
import { join, resolve } from "node:path";
import { expectAccessible } from "../support/axe";
import { expect, mayBeRefused, test } from "../support/journey";
import { fits } from "../support/views";
import { kill, startClub } from "../torture/club";

const PASSWORD = "oars over quiet water";
const support = (name: string) => readFileSync(join(import.meta.dirname, "../support", name), "utf8");

test("an owner begins the club, a coach joins on a phone and has one athlete; closed, the coach is out at once", async ({
  page,
  browser,
}) => {
  mayBeRefused();
  const data = resolve(".tmp/e2e-accounts");
  rmSync(data, { recursive: true, force: true });
  const club = await startClub(data, { FIELD_ANCHOR_ACCOUNTS: "asked", FIELD_ANCHOR_TODAY: "2026-03-03" });
  if (!club) throw new Error("the server did not start");
  const base = club.base.replace("/api", "");
  try {
    await page.goto(`${base}/calendar`);
    await expect(page.getByRole("heading", { name: "The first account" })).toBeVisible();
    await expect(page.getByRole("button", { name: "Only on this machine, no sign-in" })).toBeVisible();
    await page.getByLabel("Your name").fill("Wren Aldous");
    await page.getByLabel("Name to sign in with").fill("wren");
    await page.getByLabel("Password").fill("too short");
    await page.getByRole("button", { name: "Make the account" }).click();
    await expect(page.getByRole("alert")).toHaveText("12 letters or more expected");
    await page.getByLabel("Password").fill(PASSWORD);
    await page.getByRole("button", { name: "Make the account" }).click();
    await expect(page.getByRole("list", { name: "Codes" }).getByRole("listitem")).toHaveCount(8);
    await expectAccessible(page);
    await page.getByRole("button", { name: "I have them" }).click();
    await expect(page.getByRole("heading", { name: "Club calendar" })).toBeVisible();

    const add = async (file: string): Promise<string> => {
      const answer = await page.request.post(`${base}/api/athletes`, {
        data: support(file),
        headers: { "Content-Type": "application/json", Origin: base },
      });
      expect(answer.status()).toBe(201);
      return (await answer.json()).name;
    };
    const [own, other] = [await add("run.json"), await add("row.json")];
    await page.goto(`${base}/accounts`);
    await page.getByRole("button", { name: "Invite" }).click();
    const form = page.getByRole("dialog");
    await form.getByLabel("Their name").fill("Jory Penhale");
    await form.getByLabel("Name to sign in with").fill("jory");
    await form.getByLabel("Every athlete, those to come too").uncheck();
    await form.getByLabel(other, { exact: true }).uncheck();
    await form.getByRole("button", { name: "Invite" }).click();
    const link = await page.getByText(/\/join#name=jory&code=/).textContent();
    await page.getByRole("button", { name: "Done" }).click();
    await expect(page.getByText("jory, invited")).toBeVisible();
    await expectAccessible(page);

    const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
    await phone.goto(link ?? "");
    await expect(phone.getByRole("heading", { name: "Welcome" })).toBeVisible();
    await expectAccessible(phone);
    expect(await fits(phone)).toBe(true);
    await phone.getByLabel("Password").fill(PASSWORD);
    await phone.getByRole("button", { name: "Go on" }).tap();
    await phone.getByRole("button", { name: "I have them" }).tap();
    await expect(phone.getByText(own).first()).toBeVisible();
    await expect(phone.getByText(other)).toHaveCount(0);
    await phone.getByRole("button", { name: "More" }).tap();
    const views = phone.getByRole("dialog");
    await expect(views.getByRole("link", { name: "Calendar" })).toBeVisible();
    await expect(views.getByRole("link", { name: "Club data" })).toHaveCount(0);

    // A note half written stays where it is while the session ends and is begun again.
    await phone.goto(`${base}/calendar`);
    await phone.getByLabel("What takes you away").fill("Course in the hills");
    await page.getByRole("row", { name: /jory/ }).getByRole("button", { name: "Change" }).click();
    await page.getByRole("dialog").getByRole("button", { name: "Save" }).click();
    await expect(page.getByText(/signs in again/)).toBeVisible();
    await expect
      .poll(async () => {
        await phone.evaluate(() => window.dispatchEvent(new Event("visibilitychange")));
        return phone.getByRole("heading", { name: "Sign in" }).count();
      })
      .toBe(1);
    await phone.getByLabel("Name").fill("jory");
    await phone.getByLabel("Password").fill("not this one at all");
    await phone.getByRole("button", { name: "Sign in" }).tap();
    await expect(phone.getByRole("alert")).toContainText("Name and password do not belong together");
    await phone.getByLabel("Password").fill(PASSWORD);
    await phone.getByRole("button", { name: "Sign in" }).tap();
    await expect(phone.getByRole("heading", { name: "Sign in" })).toHaveCount(0);
    await expect(phone.getByLabel("What takes you away")).toHaveValue("Course in the hills");

    await page.getByRole("row", { name: /jory/ }).getByRole("button", { name: "Change" }).click();
    await page.getByRole("dialog").getByRole("button", { name: "Close", exact: true }).last().click();
    await expect(page.getByText("jory, closed")).toBeVisible();
    await phone.goto(`${base}/`);
    await expect(phone.getByRole("heading", { name: "Sign in" })).toBeVisible();
    await phone.context().close();
  } finally {
    await kill(club);
    rmSync(data, { recursive: true, force: true });
  }
});

test("a passkey of the device signs in beside the password, until it is removed", async ({ page }) => {
  mayBeRefused();
  const data = resolve(".tmp/e2e-passkeys");
  rmSync(data, { recursive: true, force: true });
  const club = await startClub(data, { FIELD_ANCHOR_ACCOUNTS: "asked", FIELD_ANCHOR_TODAY: "2026-03-03" });
  if (!club) throw new Error("the server did not start");
  // Browsers know passkeys on names.
  const base = club.base.replace("/api", "").replace("127.0.0.1", "localhost");
  try {
    const device = await page.context().newCDPSession(page);
    await device.send("WebAuthn.enable");
    await device.send("WebAuthn.addVirtualAuthenticator", {
      options: {
        protocol: "ctap2",
        transport: "internal",
        hasResidentKey: true,
        hasUserVerification: true,
        isUserVerified: true,
        automaticPresenceSimulation: true,
      },
    });
    await page.goto(`${base}/accounts`);
    await page.getByLabel("Your name").fill("Wren Aldous");
    await page.getByLabel("Name to sign in with").fill("wren");
    await page.getByLabel("Password").fill(PASSWORD);
    await page.getByRole("button", { name: "Make the account" }).click();
    await page.getByRole("button", { name: "I have them" }).click();
    await page.getByRole("button", { name: "Add a passkey of this device" }).click();
    const keys = page.getByRole("region", { name: "Passkeys" });
    await expect(keys.getByRole("listitem")).toHaveCount(1);
    await expectAccessible(page);
    await page.getByRole("button", { name: "Sign out", exact: true }).first().click();
    await page.getByRole("button", { name: "Sign in with a passkey" }).click();
    await expect(
      page.getByRole("heading", { name: "Squad" }).or(page.getByRole("heading", { name: "Accounts" })),
    ).toBeVisible();
    await page.goto(`${base}/accounts`);
    await expect(keys.getByText(/used/)).toBeVisible();
    await keys.getByRole("button", { name: "Remove" }).click();
    await expect(keys.getByRole("listitem")).toHaveCount(0);
    await page.getByRole("button", { name: "Sign out", exact: true }).first().click();
    await page.getByRole("button", { name: "Sign in with a passkey" }).click();
    await expect(page.getByRole("alert")).toHaveText("This passkey opens no account here.");
  } finally {
    await kill(club);
  }
});
