package idlelens.web.access;

/** Who is logged in, as far as rights are concerned. */
public interface Visitor {
  long id();

  /** What it was let in by; an account that has another by now has to log in again. */
  String proof();
}
