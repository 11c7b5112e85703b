/** Freezes plain data all the way down: what is given to many may be changed by none. */
export function frozen<Value>(value: Value): Value {
  if (typeof value !== 'object' || value === null || Object.isFrozen(value) || ArrayBuffer.isView(value))
    return value;
  Object.freeze(value);
  for (const part of value instanceof Map ? value.values() : Object.values(value)) frozen(part);
  return value;
}
