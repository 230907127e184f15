/** Whether an address may be fetched: http or https, no user in it, and its host (with its port) on the list. */
export function hostAllowed(address: string, hosts: readonly string[]): boolean {
  if (!URL.canParse(address)) return false;
  const url = new URL(address);
  if (!["http:", "https:"].includes(url.protocol) || url.username !== "" || url.password !== "") return false;
  return hosts.includes(url.host);
}
