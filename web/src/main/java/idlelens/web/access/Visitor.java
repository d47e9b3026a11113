package idlelens.web.access;

/** Who is logged in, as far as rights are concerned. */
public interface Visitor {
  long id();
}
