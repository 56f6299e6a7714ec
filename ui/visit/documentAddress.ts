/** Where a visit is read from; the page names it before its scripts ask for it. */
export const documentAddress = (visitId: string): string => `/api/visits/${visitId}/document`;
