package idlelens.core.edit;

import idlelens.core.curve.Curve;
import idlelens.core.curve.KeyReduction;
import idlelens.core.part.Family;
import idlelens.core.part.Path;
import idlelens.core.rule.Require;
import idlelens.core.scene.Node;
import idlelens.core.scene.Shot;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Takes keys away as long as every curve stays within the tolerance of its family.
 *
 * @param tolerances in the units of the families; those of {@link Family#tolerance} where none is
 *     given
 */
public record ReduceKeys(String id, List<Path> paths, Map<Family, Double> tolerances)
    implements Edit {
  public ReduceKeys {
    paths = List.copyOf(paths);
    tolerances = Collections.unmodifiableMap(new TreeMap<>(tolerances));
    tolerances.forEach((f, t) -> Require.within(t, 1e-9, 1000, "tolerances." + f.id()));
  }

  @Override
  public Shot apply(Shot shot) {
    Node node = shot.node(id);
    Map<Path, Curve> reduced = new LinkedHashMap<>();
    for (Path path : paths) {
      Family family = node.chain().parameter(path).family();
      double tolerance = tolerances.getOrDefault(family, family.tolerance());
      reduced.put(path, KeyReduction.reduce(node.chain().curve(path), tolerance));
    }
    return shot.withNode(node.withChain(node.chain().with(reduced)));
  }

  @Override
  public Footprint footprint(Shot shot) {
    return Footprint.of(shot).changes(id, paths).done();
  }

  @Override
  public String summary() {
    return "Reduce keys";
  }
}
