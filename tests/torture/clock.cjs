// Shifts the clock of a process by FA_CLOCK_DAYS.
const shift = Number(process.env.FA_CLOCK_DAYS ?? 0) * 86_400_000;
const RealDate = Date;
globalThis.Date = class extends RealDate {
  constructor(...args) {
    if (args.length === 0) super(RealDate.now() + shift);
    else super(...args);
  }
  static now() {
    return RealDate.now() + shift;
  }
};
