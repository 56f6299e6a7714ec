/** The stages of the work that this version has, in their order. The trail is read from here. */
export const STAGES = [
  { path: 'question', name: 'Question', theme: 'paper' },
  { path: 'hours', name: 'Hours', theme: 'paper' },
  { path: 'kit', name: 'Kit', theme: 'paper' },
  { path: 'round', name: 'Round', theme: 'paper' },
  { path: 'bench', name: 'Bench', theme: 'den' },
  { path: 'findings', name: 'Findings', theme: 'paper' },
  { path: 'heat', name: 'Heat', theme: 'paper' },
  { path: 'water', name: 'Water', theme: 'den' },
  { path: 'proof', name: 'Proof', theme: 'den' },
  { path: 'report', name: 'Report', theme: 'paper' },
] as const;

export type StagePath = (typeof STAGES)[number]['path'];
