let last = 0;
const numbers = new WeakMap<object, number>();

/** A number for an object that never changes, to name it in a key: the same object, the same number. */
export function numberOf(object: object): number {
  let number = numbers.get(object);
  if (number === undefined) numbers.set(object, (number = ++last));
  return number;
}
