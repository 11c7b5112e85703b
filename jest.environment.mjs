import { constants, createContext } from 'node:vm';
import { ModernFakeTimers } from '@jest/fake-timers';
import { TestEnvironment } from 'jest-environment-node';
import { ModuleMocker } from 'jest-mock';

/** What Jest gives to tests as Node itself has it, though the language has its own in every global object. */
const AS_IN_NODE = ['ArrayBuffer', 'Uint8Array'];
/** Lines of a fault's stack. */
const STACK = 100;

/**
 * Jest's environment of Node with a plain global object. Jest's own stands behind an interceptor and a proxy, and every `Math`,
 * `Number` or `Error` in the code goes through both, thirty times as long as in the product.
 */
export default class PlainEnvironment extends TestEnvironment {
  constructor(config, context) {
    super(config, context);
    const plain = createContext(constants.DONT_CONTEXTIFY);
    const own = new Set(Reflect.ownKeys(plain));
    for (const key of Reflect.ownKeys(this.global))
      if (!own.has(key) || AS_IN_NODE.includes(key)) bring(key, this.global, plain);
    plain.global = plain;
    plain.Error.stackTraceLimit = STACK;
    this.context = plain;
    this.global = plain;
    this.moduleMocker = new ModuleMocker(plain);
    this.fakeTimersModern = new ModernFakeTimers({ config: config.projectConfig, global: plain });
  }
}

/** Brings a property over, and what is made when it is first asked for not before. */
function bring(key, from, to) {
  const found = Object.getOwnPropertyDescriptor(from, key);
  if ('value' in found) {
    Object.defineProperty(to, key, found);
    return;
  }
  const { enumerable } = found;
  const keep = (value) =>
    Object.defineProperty(to, key, { configurable: true, enumerable, value, writable: true });
  Object.defineProperty(to, key, {
    ...{ configurable: true, enumerable, set: keep },
    get: () => {
      keep(from[key]);
      return from[key];
    },
  });
}
