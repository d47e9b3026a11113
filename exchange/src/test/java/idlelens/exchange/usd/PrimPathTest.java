package idlelens.exchange.usd;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class PrimPathTest {
  private static final UsdPrim ROOT = new UsdPrim("", "", null);

  private static UsdPrim below(UsdPrim parent, String name) {
    return new UsdPrim("Xform", name, parent);
  }

  private static UsdPrim line(int length) {
    UsdPrim prim = ROOT;
    for (int i = 1; i <= length; i++) {
      prim = below(prim, "n" + i);
    }
    return prim;
  }

  @Test
  void theRootAndWhatStandsInIt() {
    assertThat(ROOT.path()).isEqualTo("/");
    assertThat(below(below(ROOT, "quay"), "crate").path()).isEqualTo("/quay/crate");
  }

  @Test
  void twelveNamesAreSaid_andOfMoreTheLastTwelve() {
    assertThat(line(12).path()).isEqualTo("/n1/n2/n3/n4/n5/n6/n7/n8/n9/n10/n11/n12");
    assertThat(line(13).path()).isEqualTo("/.../n2/n3/n4/n5/n6/n7/n8/n9/n10/n11/n12/n13");
  }

  /** A file of 64 MB may nest 2,000 names of 32 KB: their paths in full would be 64 GB. */
  @Test
  void longNamesAreCut() {
    UsdPrim prim = ROOT;
    for (int i = 0; i < 2000; i++) {
      prim = below(prim, "x".repeat(32_768));
    }
    assertThat(prim.path()).hasSizeLessThan(1000).startsWith("/.../xxx").endsWith("xxx...");
  }
}
