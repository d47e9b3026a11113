package idlelens.web.wire;

import jakarta.servlet.http.Part;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The parameters of an address with the fields of a form that came as its body. */
record FormFields(Map<String, String[]> all) {
  private static final String TYPE = "application/x-www-form-urlencoded";

  /** The longest form; there is none of ours but name and password. */
  static final int MOST_BYTES = 16 << 10;

  static boolean isForm(String contentType) {
    return contentType != null && contentType.toLowerCase(Locale.ROOT).startsWith(TYPE);
  }

  static FormFields of(Map<String, String[]> address, String contentType, Spool body) {
    if (!isForm(contentType) || body.length() > MOST_BYTES) {
      return new FormFields(address);
    }
    Map<String, List<String>> fields = new LinkedHashMap<>();
    address.forEach((name, values) -> fields.put(name, new ArrayList<>(List.of(values))));
    for (String pair : text(body).split("&")) {
      int equals = pair.indexOf('=');
      if (equals > 0) {
        fields
            .computeIfAbsent(decoded(pair.substring(0, equals)), n -> new ArrayList<>())
            .add(decoded(pair.substring(equals + 1)));
      }
    }
    Map<String, String[]> all = new LinkedHashMap<>();
    fields.forEach((name, values) -> all.put(name, values.toArray(String[]::new)));
    return new FormFields(all);
  }

  /** With the fields among the parts of a multipart form; files are no fields. */
  static FormFields of(Map<String, String[]> address, List<Part> parts) {
    Map<String, String[]> all = new LinkedHashMap<>(address);
    for (Part part : parts) {
      if (part.getSubmittedFileName() == null && part.getSize() <= MOST_BYTES) {
        all.put(part.getName(), new String[] {text(part)});
      }
    }
    return new FormFields(all);
  }

  private static String text(Part part) {
    try (InputStream in = part.getInputStream()) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String text(Spool body) {
    try (InputStream in = body.read()) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String decoded(String text) {
    try {
      return URLDecoder.decode(text, StandardCharsets.UTF_8);
    } catch (IllegalArgumentException broken) {
      return text;
    }
  }
}
