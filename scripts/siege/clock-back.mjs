/** Sets the clock of a Node process back by an hour, for all that reads it. */
const BACK_MS = 3_600_000;
const RealDate = Date;
const now = () => RealDate.now() - BACK_MS;

globalThis.Date = new Proxy(RealDate, {
  construct: (target, args, newTarget) => Reflect.construct(target, args.length === 0 ? [now()] : args, newTarget),
  apply: () => new RealDate(now()).toString(),
  get: (target, name) => (name === "now" ? now : Reflect.get(target, name)),
});
