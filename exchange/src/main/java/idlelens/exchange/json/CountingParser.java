package idlelens.exchange.json;

import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.util.JsonParserDelegate;

/** Counts values as they are read, and stops before there are too many. */
final class CountingParser extends JsonParserDelegate {
  /** An object or a list takes as much room as some numbers. */
  private static final int WEIGHT_OF_A_STRUCTURE = 3;

  private final int most;
  private long count;

  CountingParser(JsonParser parser, JsonLimits limits) {
    super(parser);
    this.most = limits.mostValues();
  }

  /** More values than are allowed. */
  static final class TooMany extends RuntimeException {
    private static final long serialVersionUID = 1L;

    TooMany(int most) {
      super("more than " + most + " values");
    }
  }

  @Override
  public JsonToken nextToken() {
    return counted(super.nextToken());
  }

  @Override
  public JsonToken nextValue() {
    return counted(super.nextValue());
  }

  @Override
  public String nextName() {
    String name = super.nextName();
    counted(delegate.currentToken());
    return name;
  }

  private JsonToken counted(JsonToken token) {
    if (token != null && token.isStructStart()) {
      count += WEIGHT_OF_A_STRUCTURE;
    } else if (token != null && token.isScalarValue()) {
      count++;
    }
    if (count > most) {
      throw new TooMany(most);
    }
    return token;
  }
}
