import path from 'node:path';

/** The project's root folder: ./den says where it is, whatever folder it was called from. */
const ROOT = process.env.DEN_ROOT ?? process.cwd();

/** A path below the project's root. */
export function inRoot(...parts: string[]): string {
  return path.join(/* turbopackIgnore: true */ ROOT, ...parts);
}
