"use server";

import * as server from "@/server";

export const addProductAction = async (input: unknown) => server.addProduct(input);
export const saveProductAction = async (rev: number, input: unknown) => server.saveProduct(rev, input);
export const correctMixAction = async (id: string, rev: number, input: unknown) => server.correctMix(id, rev, input);
export const deleteProductAction = async (id: string) => server.deleteProduct(id);
export const restoreProductAction = async (id: string) => server.restoreProduct(id);
export const previewShelfAction = async (text: string, kind: server.FileKind) => server.previewShelf(text, kind);
export const importShelfAction = async (text: string, kind: server.FileKind, existing: server.OnExisting) =>
  server.importShelf(text, kind, existing);
