import type { Product } from "@/core/model";
import { ROLE_NAME } from "@/messages";

/** Products as the options of a menu, by role. */
export function ProductOptions({ products }: { products: readonly Pick<Product, "id" | "name" | "role">[] }) {
  const roles = [...new Set(products.map((p) => p.role))];
  return roles.map((role) => (
    <optgroup key={role} label={ROLE_NAME[role]}>
      {products
        .filter((p) => p.role === role)
        .map((p) => (
          <option key={p.id} value={p.id}>
            {p.name}
          </option>
        ))}
    </optgroup>
  ));
}
