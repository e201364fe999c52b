/** Materials and sheaths of what is drawn, each made once: thrown away with a frame its shader would be made anew for the next. */
import type { Material } from 'three';
import { strandTints } from '../../../core/picture/tokens';
import { braid, type Braid } from './braid';

export type Theme = 'paper' | 'headlamp';

export class Materials {
  private readonly made = new Map<string, Material>();
  /** sheaths of a theme by the tracers in them */
  private sheaths: { theme: Theme; braids: Map<string, Braid> } | null = null;

  of(key: string, make: () => Material): Material {
    const there = this.made.get(key) ?? make();
    this.made.set(key, there);
    return there;
  }

  /** The sheath of a component; those of another theme are dropped. */
  sheathFor(theme: Theme, role: string): Braid {
    if (this.sheaths?.theme !== theme) {
      this.dispose();
      this.sheaths = { theme, braids: new Map() };
    }
    const { tracers } = strandTints(role === 'ring' || role === 'post' ? 'rope' : role, theme);
    const key = tracers.join();
    const there = this.sheaths.braids.get(key) ?? braid(tracers);
    this.sheaths.braids.set(key, there);
    return there;
  }

  dispose(): void {
    // materials carry the sheaths
    for (const material of this.made.values()) material.dispose();
    this.made.clear();
    for (const { colour, bump } of this.sheaths?.braids.values() ?? []) {
      colour.dispose();
      bump.dispose();
    }
    this.sheaths = null;
  }
}
