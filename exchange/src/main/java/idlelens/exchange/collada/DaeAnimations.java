package idlelens.exchange.collada;

import idlelens.exchange.format.FormatException;
import idlelens.exchange.scenefile.Channel;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The channels of a document by what they move: {@code node/sid}, with what of it. */
final class DaeAnimations {
  private static final int BEZIER_NUMBERS = 5;

  private final Sources sources;
  private final Set<String> notes;
  private final Map<String, Map<String, Channel>> byTarget = new HashMap<>();

  private DaeAnimations(Sources sources, Set<String> notes) {
    this.sources = sources;
    this.notes = notes;
  }

  static DaeAnimations read(Element root, Sources sources, Set<String> notes)
      throws FormatException {
    DaeAnimations all = new DaeAnimations(sources, notes);
    for (Element library : root.all("library_animations")) {
      for (Element animation : library.all("animation")) {
        all.add(animation);
      }
    }
    return all;
  }

  private void add(Element animation) throws FormatException {
    for (Element inner : animation.all("animation")) {
      add(inner);
    }
    for (Element channel : animation.all("channel")) {
      String target = channel.attribute("target");
      int slash = target.indexOf('/');
      if (slash < 0) {
        throw channel.refusal("target '" + target + "'", "an id, '/' and what of it moves");
      }
      Element sampler = sources.resolve(channel, "source", "sampler");
      String rest = target.substring(slash + 1);
      int dot = rest.indexOf('.') >= 0 ? rest.indexOf('.') : rest.indexOf('(');
      String sid = dot < 0 ? rest : rest.substring(0, dot);
      String part = dot < 0 ? "" : rest.substring(dot);
      Channel read = channel(sampler);
      Map<String, Channel> parts =
          byTarget.computeIfAbsent(
              target.substring(0, slash) + "/" + sid, t -> new LinkedHashMap<>());
      if (parts.putIfAbsent(part, read) != null) {
        notes.add(channel.place() + ": a second animation of " + target + " is left out");
      }
    }
  }

  /** The channels of a thing that has a sid: "" for all of it, ".X" and the like for a part. */
  Map<String, Channel> of(String id, String sid) {
    return byTarget.getOrDefault(id + "/" + sid, Map.of());
  }

  private Channel channel(Element sampler) throws FormatException {
    Map<String, Sources.Source> inputs = new HashMap<>();
    for (Element input : sampler.all("input")) {
      inputs.put(input.attribute("semantic"), sources.of(input));
    }
    Sources.Source times = inputs.get("INPUT");
    Sources.Source output = inputs.get("OUTPUT");
    if (times == null || output == null) {
      throw sampler.refusal("without INPUT or OUTPUT", "both");
    }
    int keys = times.numbers().length;
    if (keys == 0 || output.numbers().length != keys * output.stride()) {
      throw sampler.refusal(
          output.numbers().length / output.stride() + " values", keys + ", one for each time");
    }
    List<String> words =
        inputs.containsKey("INTERPOLATION") ? inputs.get("INTERPOLATION").words() : List.of();
    boolean curved = words.contains("BEZIER") || words.contains("HERMITE");
    if (curved && output.stride() == 1) {
      return curved(sampler, times.numbers(), output.numbers(), words, inputs).checked();
    }
    boolean held = !words.isEmpty() && words.stream().allMatch("STEP"::equals);
    sayOther(sampler, words, held);
    return new Channel(
            times.numbers(),
            output.numbers(),
            held ? Channel.Between.STEP : Channel.Between.LINEAR,
            output.stride(),
            sampler.place())
        .checked();
  }

  private void sayOther(Element sampler, List<String> words, boolean held) {
    boolean straight = words.stream().allMatch("LINEAR"::equals);
    if (!straight && !held) {
      notes.add(
          sampler.place()
              + ": its way between keys ("
              + String.join(", ", Set.copyOf(words))
              + ") is taken as straight");
    }
  }

  /** Bezier curves of (time, value); straight and held stretches as such curves too. */
  private Channel curved(
      Element sampler,
      double[] times,
      double[] values,
      List<String> words,
      Map<String, Sources.Source> inputs)
      throws FormatException {
    double[] in = tangents(sampler, inputs.get("IN_TANGENT"), times, values, -1);
    double[] out = tangents(sampler, inputs.get("OUT_TANGENT"), times, values, 1);
    double[] all = new double[times.length * BEZIER_NUMBERS];
    for (int i = 0; i < times.length; i++) {
      String leaving = i < words.size() ? words.get(i) : "LINEAR";
      String reaching = i == 0 ? leaving : i - 1 < words.size() ? words.get(i - 1) : "LINEAR";
      all[i * BEZIER_NUMBERS] = values[i];
      put(all, i, 1, reaching, handle(in, i), third(times, values, i, -1));
      put(all, i, 3, leaving, handle(out, i), third(times, values, i, 1));
    }
    if (words.stream()
        .anyMatch(w -> !w.equals("BEZIER") && !w.equals("LINEAR") && !w.equals("HERMITE"))) {
      notes.add(sampler.place() + ": its held stretches among curved ones are taken as straight");
    }
    return new Channel(times, all, Channel.Between.BEZIER, 1, sampler.place());
  }

  private static void put(
      double[] all, int key, int at, String word, double[] own, double[] straight) {
    boolean curve = word.equals("BEZIER") || word.equals("HERMITE");
    double[] used = curve ? own : straight;
    all[key * BEZIER_NUMBERS + at] = used[0];
    all[key * BEZIER_NUMBERS + at + 1] = used[1];
  }

  private static double[] handle(double[] tangents, int key) {
    return new double[] {tangents[2 * key], tangents[2 * key + 1]};
  }

  /** A third of the way to the neighbour, straight. */
  private static double[] third(double[] times, double[] values, int key, int side) {
    int other = Math.max(0, Math.min(times.length - 1, key + side));
    return new double[] {
      times[key] + (times[other] - times[key]) / 3, values[key] + (values[other] - values[key]) / 3
    };
  }

  /** Tangents as points; those of one number say the value only, a third of the way off. */
  private static double[] tangents(
      Element sampler, Sources.Source source, double[] times, double[] values, int side)
      throws FormatException {
    double[] points = new double[2 * times.length];
    if (source != null
        && source.numbers().length != 2 * times.length
        && source.numbers().length != times.length) {
      throw sampler.refusal(
          source.numbers().length + " numbers of tangents", "one or two for each key");
    }
    boolean whole = source != null && source.numbers().length == 2 * times.length;
    for (int i = 0; i < times.length; i++) {
      double[] straight = third(times, values, i, side);
      points[2 * i] = whole ? source.numbers()[2 * i] : straight[0];
      points[2 * i + 1] = source == null ? straight[1] : source.numbers()[whole ? 2 * i + 1 : i];
    }
    return points;
  }
}
