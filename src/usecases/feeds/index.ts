export { addFeed, changeFeed, removeFeed } from "./feeds";
export { hostAllowed } from "./hosts";
export { tableOfJson } from "./json-table";
export { type FeedStore, type Fetcher, FetchFailure, type PulledPages } from "./ports";
export { type PullPorts, pauseMs, pullFeed } from "./pull";
