export function coreVersion(): string;
