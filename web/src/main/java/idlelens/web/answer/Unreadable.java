package idlelens.web.answer;

import idlelens.core.rule.RefusedException;
import java.util.Arrays;
import org.springframework.beans.TypeMismatchException;
import org.springframework.core.MethodParameter;
import org.springframework.validation.FieldError;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;

/** Says which parameter of a request is not of its kind, and what it can be. */
final class Unreadable {
  private Unreadable() {}

  static RefusedException of(TypeMismatchException e) {
    String where =
        e instanceof MethodArgumentTypeMismatchException named
            ? named.getName()
            : String.valueOf(e.getPropertyName());
    return refused(where, e.getValue(), e.getRequiredType());
  }

  static RefusedException of(MethodArgumentNotValidException e) {
    FieldError error = e.getBindingResult().getFieldErrors().get(0);
    return refused(
        error.getField(), error.getRejectedValue(), kind(e.getParameter(), error.getField()));
  }

  private static RefusedException refused(String where, Object value, Class<?> kind) {
    return new RefusedException(where, "'" + value + "'", allowed(kind));
  }

  private static Class<?> kind(MethodParameter parameter, String field) {
    return Arrays.stream(parameter.getParameterType().getRecordComponents())
        .filter(component -> component.getName().equals(field))
        .findFirst()
        .orElseThrow()
        .getType();
  }

  private static String allowed(Class<?> kind) {
    if (kind == Integer.class || kind == int.class) {
      return "a whole number from -2147483648 to 2147483647";
    }
    if (kind == Long.class || kind == long.class) {
      return "a whole number";
    }
    if (kind == Double.class || kind == double.class) {
      return "a number, as 0.5";
    }
    if (kind == Boolean.class || kind == boolean.class) {
      return "true or false";
    }
    return "a text";
  }
}
