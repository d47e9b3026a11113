package idlelens.exchange.json;

import idlelens.core.part.PartBody;
import idlelens.core.part.Smooth;
import idlelens.core.part.SmoothWay;
import idlelens.exchange.format.FormatException;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Cards that smooth: {@code way} says which of its other settings it has. */
final class SmoothJson {
  static final List<String> FIELDS =
      List.of(
          "way",
          "amount",
          "times",
          "lag",
          "sigma",
          "half",
          "order",
          "of",
          "withinCm",
          "withinDegrees");

  private static final int USUAL_ORDER = 2;

  /** The ways of smoothing. */
  private enum Way {
    SPRING,
    DAMPED,
    GAUSSIAN,
    POLYNOMIAL,
    TWO_WAY
  }

  /** What may be smoothed. */
  private enum What {
    PLACE,
    TURN,
    LENS
  }

  private SmoothJson() {}

  static Smooth read(PartBody body, JsonPlace p) throws FormatException {
    return new Smooth(
        body,
        way(p),
        p.has("of") ? of(p.get("of")) : Smooth.Of.ALL,
        new Smooth.Within(open(p, "withinCm"), open(p, "withinDegrees")));
  }

  private static SmoothWay way(JsonPlace p) throws FormatException {
    return switch (p.get("way").choice(Way.class)) {
      case SPRING ->
          new SmoothWay.Spring(
              p.get("amount").number(), p.has("times") ? p.get("times").whole() : 1);
      case DAMPED -> new SmoothWay.Damped(p.get("lag").number());
      case GAUSSIAN -> new SmoothWay.Gaussian(p.get("sigma").number());
      case POLYNOMIAL ->
          new SmoothWay.Polynomial(
              p.get("half").whole(), p.has("order") ? p.get("order").whole() : USUAL_ORDER);
      case TWO_WAY -> new SmoothWay.TwoWay(p.get("amount").number());
    };
  }

  private static Smooth.Of of(JsonPlace p) throws FormatException {
    List<What> all = p.list(What.values().length, each -> each.choice(What.class));
    return new Smooth.Of(
        all.contains(What.PLACE), all.contains(What.TURN), all.contains(What.LENS));
  }

  private static OptionalDouble open(JsonPlace p, String field) throws FormatException {
    return p.has(field) ? OptionalDouble.of(p.get(field).number()) : OptionalDouble.empty();
  }

  static void write(Smooth part, ObjectNode out) {
    write(part.way(), out);
    if (!part.of().equals(Smooth.Of.ALL)) {
      ArrayNode of = out.putArray("of");
      add(of, part.of().place(), What.PLACE);
      add(of, part.of().turn(), What.TURN);
      add(of, part.of().lens(), What.LENS);
    }
    part.within().cm().ifPresent(cm -> out.put("withinCm", cm));
    part.within().degrees().ifPresent(degrees -> out.put("withinDegrees", degrees));
  }

  private static void add(ArrayNode of, boolean is, What what) {
    if (is) {
      of.add(what.name().toLowerCase(Locale.ROOT));
    }
  }

  private static void write(SmoothWay way, ObjectNode out) {
    if (way instanceof SmoothWay.Spring spring) {
      out.put("way", "spring").put("amount", spring.amount()).put("times", spring.times());
    } else if (way instanceof SmoothWay.Damped damped) {
      out.put("way", "damped").put("lag", damped.lag());
    } else if (way instanceof SmoothWay.Gaussian bell) {
      out.put("way", "gaussian").put("sigma", bell.sigma());
    } else if (way instanceof SmoothWay.Polynomial fit) {
      out.put("way", "polynomial").put("half", fit.half()).put("order", fit.order());
    } else if (way instanceof SmoothWay.TwoWay both) {
      out.put("way", "two-way").put("amount", both.amount());
    }
  }
}
