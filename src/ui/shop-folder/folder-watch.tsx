"use client";
import { useShopFolder } from "./use-shop-folder";

/** Keeps every room in step with the shop's folder. */
export function FolderWatch() {
  useShopFolder();
  return null;
}
