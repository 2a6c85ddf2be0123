/**
 * The frame around every place: top line, probe line, overlays, keys. One stage; everything that opens, opens inside it.
 *
 * <p>Law: printable keys belong to the probe line; every other key comes from the one registry, where no two actions share one.
 */
package anabion.desktop.shell;
