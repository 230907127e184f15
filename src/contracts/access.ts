/** Who asks. One local owner for now; roles come in here. */
export interface Actor {
  readonly kind: "local-owner";
}
