/** A dynamometer as the pages see it, whatever it is and however it is reached. */
export interface DynamometerDevice {
  /** Connects and asks who it is; rejects in words where nothing answers. */
  connect(): Promise<DeviceInfo>;
  /** Takes the present reading as nothing in the hand. */
  tare(): void;
  /** Starts measuring this hand; samples come to the listener until stopped. */
  start(hand: 'left' | 'right', test: 'peak' | 'contractions'): void;
  stop(): void;
  /** Lets go of the device. */
  close(): void;
  /** Says who listens; one at a time. */
  listen(listener: DeviceListener): void;
}

export interface DeviceInfo {
  readonly name: string;
  /** Samples a second. */
  readonly rate: number;
  /** kgf that it can measure. */
  readonly max: number;
}

export interface DeviceListener {
  /** A sample: s since the start, kgf. */
  readonly sample?: (seconds: number, force: number) => void;
  readonly battery?: (percent: number) => void;
  /** The connection is gone; what was measured is still there. */
  readonly lost?: () => void;
}
