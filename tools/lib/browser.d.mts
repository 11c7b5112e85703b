import type { Driver } from 'selenium-webdriver/chrome.js';

export function openBrowser(size?: {
  width?: number;
  height?: number;
  flags?: readonly string[];
}): Promise<{ driver: Driver; close: () => Promise<void> }>;
export function setSize(driver: Driver, width: number, height: number): Promise<void>;
