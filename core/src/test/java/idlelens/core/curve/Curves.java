package idlelens.core.curve;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Curves to try things on. */
public final class Curves {
  private Curves() {}

  public static Curve of(Tangent tangent, double... framesAndValues) {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < framesAndValues.length; i += 2) {
      keys.add(new Key(framesAndValues[i], framesAndValues[i + 1], tangent));
    }
    return new Curve(0, keys);
  }

  public static Tangent.Free free(double inF, double inV, double outF, double outV) {
    return new Tangent.Free(
        new Tangent.Handle(inF, inV), new Tangent.Handle(outF, outV), false, true);
  }

  /** Two to nine keys with tangents of every kind, and several behaviours outside them. */
  public static Curve random(Random random) {
    List<Key> keys = new ArrayList<>();
    int count = 2 + random.nextInt(8);
    double frame = random.nextInt(20);
    for (int i = 0; i < count; i++) {
      keys.add(new Key(frame, random.nextInt(41) - 20, tangent(random)));
      frame += 1 + random.nextInt(30);
    }
    Beyond[][] sides = {
      {Beyond.HOLD, Beyond.HOLD},
      {Beyond.RUN_ON, Beyond.HOLD},
      {Beyond.HOLD, Beyond.RUN_ON},
      {Beyond.CYCLE_AND_CARRY, Beyond.CYCLE_AND_CARRY}
    };
    Beyond[] chosen = sides[random.nextInt(sides.length)];
    return new Curve(0, keys, chosen[0], chosen[1]);
  }

  /**
   * One to nine keys of every kind there is: every pair of behaviours outside them, handles of no
   * length and such that stand straight up, joined ones, whole frames and frames between.
   */
  public static Curve any(Random random) {
    List<Key> keys = new ArrayList<>();
    int count = 1 + random.nextInt(9);
    double frame = random.nextInt(20);
    for (int i = 0; i < count; i++) {
      double value =
          random.nextInt(4) == 0 && i > 0 ? keys.get(0).value() : random.nextInt(41) - 20;
      keys.add(new Key(frame, value, anyTangent(random)));
      frame += random.nextInt(5) == 0 ? 0.1 + random.nextDouble() * 3 : 1 + random.nextInt(30);
    }
    Beyond[] sides = Beyond.values();
    return new Curve(
        random.nextInt(9),
        keys,
        sides[random.nextInt(sides.length)],
        sides[random.nextInt(sides.length)]);
  }

  private static Tangent anyTangent(Random random) {
    if (random.nextInt(6) > 0) {
      return tangent(random);
    }
    Tangent.Handle none = new Tangent.Handle(0, random.nextInt(3) == 0 ? 4 : 0);
    if (random.nextBoolean()) {
      return new Tangent.Free(none, none, random.nextBoolean(), random.nextInt(4) > 0);
    }
    double slope = random.nextDouble() * 4 - 2;
    Tangent.Handle in = new Tangent.Handle(0.2 + random.nextDouble() * 20, 0).sloped(slope);
    Tangent.Handle out = new Tangent.Handle(0.2 + random.nextDouble() * 20, 0).sloped(slope);
    return new Tangent.Free(in, out, true, random.nextBoolean());
  }

  /** How far a curve goes up and down within a few instants of a frame: all it can jump there. */
  public static double jump(Curve curve, double frame) {
    double sum = 0;
    for (int i = -6; i < 6; i++) {
      double here = curve.at(frame + i * Key.INSTANT / 2);
      sum += Math.abs(curve.at(frame + (i + 1) * Key.INSTANT / 2) - here);
    }
    // the last key of a cycle that jumps is shown on its own frame alone
    Key last = curve.keys().get(curve.keys().size() - 1);
    boolean alone = curve.after().cycles() && Math.abs(frame - last.frame()) < 2 * Key.INSTANT;
    return sum * 1.01 + (alone ? Math.abs(last.value() - curve.keys().get(0).value()) : 0);
  }

  /** A key on every frame, each at another height: what a reader of motion gives at its worst. */
  public static Curve noise(int count, Tangent tangent) {
    Random random = new Random(count);
    List<Key> keys = new ArrayList<>(count);
    for (int i = 0; i < count; i++) {
      keys.add(new Key(i, random.nextGaussian(), tangent));
    }
    return new Curve(0, keys);
  }

  private static Tangent tangent(Random random) {
    int which = random.nextInt(8);
    if (which < 4) {
      return Tangent.Kind.values()[which];
    }
    Tangent.Handle in =
        new Tangent.Handle(0.1 + random.nextDouble() * 25, random.nextDouble() * 20 - 10);
    if (which == 7) {
      return new Tangent.Reached(
          in, random.nextBoolean() ? Tangent.Kind.HOLD : Tangent.Kind.STRAIGHT);
    }
    Tangent.Handle out =
        new Tangent.Handle(0.1 + random.nextDouble() * 25, random.nextDouble() * 20 - 10);
    return new Tangent.Free(in, out, false, which != 6);
  }
}
