export const ROOT: string;
export const CHROMIUM: string;
export function freePort(from: number, host?: string): Promise<number>;
export function serverArgs(port: number, host?: string): string[];
export function seedDemo(dataDir: string, env?: Record<string, string>): void;
export function ensureInstalled(): void;
export function ensureBuilt(): void;
export function ensureChromium(): void;
export function run(command: string, args: readonly string[], options?: object): number;
