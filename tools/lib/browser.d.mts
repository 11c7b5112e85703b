import type { Driver } from 'selenium-webdriver/chrome.js';

interface Opening {
  width?: number;
  height?: number;
  flags?: readonly string[];
}
interface Opened {
  driver: Driver;
  close: () => Promise<void>;
}
export function openBrowser(opening?: Opening): Promise<Opened>;
export function openShell(opening?: Opening): Promise<Opened>;
export function setSize(driver: Driver, width: number, height: number): Promise<void>;
