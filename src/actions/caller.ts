import { headers } from "next/headers";
import { DEVICE_HEADER, forDevice } from "@/server";

/** Does a deed in the name of the device it was asked from. */
export const fromCaller = async <T>(work: () => T): Promise<T> => forDevice((await headers()).get(DEVICE_HEADER), work);
