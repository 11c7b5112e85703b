/** Injection token of the {@link Config}. */
export const CONFIG = Symbol('config');
