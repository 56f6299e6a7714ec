/** The stages of the work that this version has, in their order. The trail is read from here. */
export const STAGES = [
  { path: 'bench', name: 'Bench', theme: 'den' },
  { path: 'findings', name: 'Findings', theme: 'paper' },
  { path: 'report', name: 'Report', theme: 'paper' },
] as const;

export type StagePath = (typeof STAGES)[number]['path'];
