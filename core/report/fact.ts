/** A label with what is said under it. */
export interface Fact {
  label: string;
  value: string;
}
