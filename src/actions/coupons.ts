"use server";

import * as server from "@/server";

export const planCouponAction = async (regionId: string, upTo: number) => server.planCoupon(regionId, upTo);
export const planTrialsAction = async (trials: unknown) => server.planTrials(trials);
export const couponMadeAction = async (id: string, rev: number) => server.couponMade(id, rev);
export const couponTestedAction = async (id: string, rev: number, result: unknown) =>
  server.couponTested(id, rev, result);
export const deleteCouponAction = async (id: string) => server.deleteCoupon(id);
export const restoreCouponAction = async (id: string) => server.restoreCoupon(id);
