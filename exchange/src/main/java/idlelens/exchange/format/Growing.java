package idlelens.exchange.format;

import java.util.Arrays;

/** Numbers as they come. */
public final class Growing {
  private double[] values = new double[16];
  private int count;

  public void add(double value) {
    if (count == values.length) {
      values = Arrays.copyOf(values, count * 2);
    }
    values[count++] = value;
  }

  public int count() {
    return count;
  }

  public double get(int index) {
    return values[index];
  }

  public double[] toArray() {
    return Arrays.copyOf(values, count);
  }
}
