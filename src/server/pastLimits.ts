/** Load limits of the weeks behind, kept for each athlete: they outlive what is logged or moved. */
import { LRUCache } from "lru-cache";
import type { Limits } from "../api/make/planned";
import type { Library } from "../core/exercise";

interface KeptLimits {
  basis: string;
  library: Library;
  limits: Limits;
}

export class PastLimits {
  private readonly kept: LRUCache<string, KeptLimits>;

  /** @param most athletes of whom they are kept; the least lately asked for goes first */
  constructor(most: number) {
    this.kept = new LRUCache({ max: most });
  }

  forget(): void {
    this.kept.clear();
  }

  /**
   * @param basis what they are worked out from, beside the library
   * @param make works them out; called only where the basis or the library is another one than before
   */
  of(id: string, basis: unknown, library: Library, make: () => Limits): Limits {
    const text = JSON.stringify(basis);
    const known = this.kept.get(id);
    if (known?.basis === text && known.library === library) return known.limits;
    const limits = make();
    this.kept.set(id, { basis: text, library, limits });
    return limits;
  }
}
