/**
 * JSON documents that know their lines and keep what they do not understand.
 *
 * <p>Idea: a file is read into a {@link anabion.core.json.Tree}, then taken apart by {@link anabion.core.json.Fields}, which
 * notes every name it was asked for. What nobody asked for is kept as {@link anabion.core.json.Extra} and written back, so
 * fields of a later release or of another program survive an edit here.
 *
 * <p>Laws: every error names line and field; reading has no effect when it fails; numbers are written with a dot.
 *
 * <p>Example: {@code Fields.of(TreeReader.read(in), "").number("ohms")}.
 */
package anabion.core.json;
