/** The HTTP interface as the web calls it. A failure is a ProblemError with the faults and their paths. */
import type { Problem } from "../../api/problem";

export class ProblemError extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

const offline = (): Problem => ({
  type: "about:blank",
  title: "No connection",
  status: 0,
  detail: "The server cannot be reached. What you entered is still here; try again.",
  faults: [],
});

async function call(method: string, path: string, body?: unknown, raw = false): Promise<unknown> {
  const init: RequestInit = { method };
  if (body !== undefined) {
    init.headers = { "Content-Type": "application/json" };
    init.body = raw ? String(body) : JSON.stringify(body);
  }
  let response: Response;
  try {
    response = await fetch(`/api${path}`, init);
  } catch {
    throw new ProblemError(offline());
  }
  if (response.ok) return response.status === 204 ? null : response.json();
  const problem = (await response.json().catch(() => null)) as Problem | null;
  throw new ProblemError(
    problem ?? {
      ...offline(),
      title: "Server error",
      status: response.status,
      detail: `The server answered ${response.status}.`,
    },
  );
}

/** The answer's shape is the server's: both sides share src/api/views.ts. */
export const get = <T>(path: string): Promise<T> => call("GET", path) as Promise<T>;
export const post = <T>(path: string, body?: unknown): Promise<T> => call("POST", path, body ?? {}) as Promise<T>;
export const postText = <T>(path: string, text: string): Promise<T> => call("POST", path, text, true) as Promise<T>;
export const put = (path: string, body: unknown): Promise<unknown> => call("PUT", path, body);
export const del = (path: string): Promise<unknown> => call("DELETE", path);
