import type { WebDriver } from 'selenium-webdriver';

export function openBrowser(size?: {
  width?: number;
  height?: number;
}): Promise<{ driver: WebDriver; close: () => Promise<void> }>;
export function setSize(driver: WebDriver, width: number, height: number): Promise<void>;
