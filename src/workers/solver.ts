import { parentPort } from "node:worker_threads";
import { expose } from "comlink";
import nodeEndpoint from "comlink/dist/umd/node-adapter";
import { TASKS } from "./tasks";

/** A thread of the server: does what it is asked, one thing after the other. */
if (parentPort) expose(TASKS, nodeEndpoint(parentPort));
