/** Less than this between the air on both sides says nothing about a wall, K. */
export const LEAST_DRIVE_K = 5;
