package idlelens.exchange.scenefile;

import java.util.List;

/**
 * What is said of a format.
 *
 * @param id its short name, as in an address: {@code glb}
 * @param label what it is called: {@code glTF 2.0, binary}
 * @param endings letters behind the dot of the files that it reads; that it writes comes first
 * @param mediaType for the head of an answer
 * @param holds what it can hold
 */
public record FormatFacts(
    String id, String label, List<String> endings, String mediaType, Holds holds) {}
