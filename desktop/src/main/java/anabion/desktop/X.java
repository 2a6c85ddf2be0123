package anabion.desktop;

final class X {}
