export * from './requests.ts';
export type * from './responses.ts';
