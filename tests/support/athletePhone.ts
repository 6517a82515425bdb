/** An athlete's phone in a journey: a browser of its own whose profile outlives it, behind a line that can be cut. */
import { rmSync } from "node:fs";
import { type AddressInfo, createServer, type Server, type Socket, connect as toServer } from "node:net";
import { type BrowserContext, chromium, type Page } from "@playwright/test";
import { browserOptions } from "./browser";

/** A line to a server; cut, it answers nothing, as where there is no network. */
export class Line {
  private readonly open = new Set<Socket>();
  private server: Server | null = null;
  private port = 0;

  private constructor(private readonly to: number) {}

  static async to(port: number): Promise<Line> {
    const line = new Line(port);
    await line.mend();
    return line;
  }

  get base(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async mend(): Promise<void> {
    if (this.server) return;
    const server = createServer((near) => {
      const far = toServer(this.to, "127.0.0.1");
      for (const s of [near, far]) {
        this.open.add(s);
        s.on("error", () => s.destroy());
        s.on("close", () => this.open.delete(s));
      }
      near.pipe(far).pipe(near);
    });
    await new Promise<void>((done) => server.listen(this.port, "127.0.0.1", done));
    this.port = (server.address() as AddressInfo).port;
    this.server = server;
  }

  async cut(): Promise<void> {
    const { server } = this;
    if (!server) return;
    this.server = null;
    for (const s of this.open) s.destroy();
    await new Promise<void>((done) => server.close(() => done()));
  }
}

export class AthletePhone {
  private context: BrowserContext | null = null;
  private current: Page | null = null;
  /** What the page threw. */
  readonly thrown: string[] = [];

  constructor(
    private readonly profile: string,
    readonly line: Line,
  ) {
    rmSync(profile, { recursive: true, force: true });
  }

  get page(): Page {
    if (!this.current) throw new Error("The phone is not open.");
    return this.current;
  }

  /** @param path under /p */
  async open(path = "/"): Promise<Page> {
    this.context = await chromium.launchPersistentContext(this.profile, {
      ...browserOptions,
      viewport: { width: 390, height: 844 },
      hasTouch: true,
      isMobile: true,
    });
    this.context.setDefaultTimeout(30_000);
    this.current = this.context.pages()[0] ?? (await this.context.newPage());
    this.current.on("pageerror", (e) => this.thrown.push(e.message));
    await this.current.goto(`${this.line.base}/p${path}`);
    return this.current;
  }

  /** The browser is gone; what it has kept stays. */
  async close(): Promise<void> {
    await this.context?.close();
    this.context = null;
    this.current = null;
  }

  tab(name: string): Promise<void> {
    return this.page.getByRole("navigation", { name: "Main" }).getByRole("link", { name }).click();
  }

  /** The application is on the phone: it opens without network from now on. */
  async kept(): Promise<void> {
    await this.page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  }
}
