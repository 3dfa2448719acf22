package harbour;

import java.io.IOException;
import java.io.Reader;
import java.io.StringReader;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Statements around values: what is kept, thrown away, cast, closed, looked for and chosen. */
public class Statements {
    private int kept = 4;

    static int unusedCall(Supplier<Integer> s) { int unused = s.get(); return 3; }
    static int unusedDivision(int a, int b) { int unused = a / b; return a; }
    static int unusedArray(int[] a, int i) { int unused = a[i]; return i; }
    static int unusedCast(Object o) { String unused = (String) o; return 1; }
    static int unusedUnboxed(Integer i) { int unused = i; return 2; }
    static int unusedLength(String s) { int unused = s.length(); return 2; }
    static int unusedLambda(int n) { Supplier<Integer> unused = () -> n / 0; return n; }
    static int unusedNew(int n) { int[] unused = new int[n]; return n; }
    static int unusedIncrement(int n) { int unused = n++; return n; }
    static int unusedAssigned(int n) { int unused; unused = n += 2; return n; }
    static String unusedText(Object o) { String unused = "x" + o; return "y"; }
    static int overwritten(int a, int b) { int n = a; n = b; return n; }
    static int overwrittenCall(Supplier<Integer> s, int b) { int n = s.get(); n = b; return n; }
    static int overwrittenInTry(String s) { int n = 0; try { n = Integer.parseInt(s); n = s.length(); } catch (NumberFormatException e) { return n; } return n; }
    static int overwrittenInLoop(int[] a) { int n = -1; for (int v : a) { n = v; } return n; }
    static int overwrittenByBranch(boolean c) { int n = 1; if (c) { n = 2; } else { n = 3; } return n; }
    static int overwrittenDivision(int a, int b) { int n = a / b; n = 3; return n; }
    static int elseAfterReturn(int n) { if (n > 3) { return 1; } else { n += 2; } return n; }
    static int elseAfterThrow(int n) { if (n > 3) { throw new IllegalStateException("n"); } else { n += 2; } return n; }
    static int elseChain(int n) { if (n > 3) { return 1; } else if (n > 2) { return 2; } else { return n; } }
    static int elseNames(int n) { if (n > 3) { int m = 2; return m; } else { int m = 3; n += m; } int m = n; return m; }
    static int branchesSame(Boolean c, int n) { if (c) { return n; } else { return n; } }
    static int branchesSameEffect(Supplier<Boolean> s, int n) { return s.get() ? n + 1 : n + 1; }
    static String testThenCast(Object o) { if (o instanceof String) { String s = (String) o; return s.trim(); } return "none"; }
    static String testThenCastTwice(Object o) { if (o instanceof String) { return ((String) o).trim() + ((String) o).length(); } return "none"; }
    static String testThenCastOther(Object o, Object p) { if (o instanceof String) { String s = (String) p; return s; } return "none"; }
    static String testThenAssigned(Object o) { if (o instanceof String) { String s = (String) o; s = s + "x"; return s; } return "none"; }
    static String testThenChanged(Object o) { if (o instanceof String) { o = null; String s = (String) o; return s; } return "none"; }
    static int testThenCastNot(Object o) { if (!(o instanceof Integer)) { return 0; } int n = (Integer) o; return n; }
    static boolean testNullThenType(Object o) { return o != null && o instanceof String; }
    static boolean testNullOrType(Object o) { return o == null || !(o instanceof String); }
    static boolean testOwnType(String s) { return s instanceof String; }
    static boolean testOwnTypeCall(Supplier<String> s) { return s.get() instanceof String; }
    static String castOverload(Object o) { return kind((Object) "x") + kind("x") + kind((String) "x"); }
    static String kind(Object o) { return "o"; }
    static String kind(String s) { return "s"; }
    static long castWide(int a, int b) { return (long) a * b + (int) a; }
    static int castChar(char c) { return (int) c + (char) (c + 1); }
    static Object castBox(int n) { return (Object) (Integer) n; }
    static Object castChoice(boolean c, Integer i, Double d) { return c ? (Object) i : (Object) d; }
    static double castFloat(int a, int b) { return (double) a / (double) b; }
    static String castNull() { return String.valueOf((Object) null); }
    static String castList(List<String> l) { return ((Collection<String>) l).toString(); }
    static boolean empty(List<String> l) { return l.size() == 0; }
    static boolean emptyText(String s) { return s.length() == 0; }
    static boolean emptyNot(Collection<String> c) { return c.size() > 0 || c.size() != 0; }
    static boolean emptyLess(List<String> l) { return l.size() < 1; }
    static boolean emptyQueue(int n) { ArrayDeque<Integer> q = new ArrayDeque<>(); if (n > 0) q.add(n); return 0 == q.size(); }
    static boolean found(List<String> l) { return l.stream().filter(s -> s.length() > 1).findFirst().isPresent(); }
    static boolean foundAny(List<String> l) { return l.stream().filter(Objects::isNull).findAny().isPresent(); }
    static boolean foundNone(List<String> l) { return !l.stream().filter(s -> "a".equals(s)).findAny().isPresent(); }
    static String foundValue(List<String> l) { return l.stream().filter(s -> s != null).findFirst().orElse("none"); }
    static int loop(List<Integer> l) { int n = 0; for (int i = 0; i < l.size(); i++) { Integer v = l.get(i); if (v != null) n += v; } return n; }
    static int loopRemoves(List<Integer> l) { List<Integer> c = new ArrayList<>(l); for (int i = 0; i < c.size(); i++) { if (c.get(i) == null) { c.remove(i--); } } return c.size(); }
    static int loopTwice(int[] a) { int n = 0; for (int i = 0; i < a.length; i++) { n += a[i] * a[i]; } return n; }
    static int loopAssigned(int[] a) { for (int i = 0; i < a.length; i++) { a[i] = a[i] + 1; } return a.length; }
    static int loopReplaced(int[] a) { int n = 0; for (int i = 0; i < a.length; i++) { n += a[i]; a = new int[] {1, 2, 3}; } return n; }
    static int loopIterator(List<String> l) { int n = 0; for (Iterator<String> i = l.iterator(); i.hasNext();) { String s = i.next(); n += s == null ? 1 : s.length(); } return n; }
    static String closed(String s) throws IOException { Reader r = new StringReader(s); try { return "" + (char) r.read(); } finally { r.close(); } }
    static int closedLate(Reader r) throws IOException { try { return r.read(); } finally { r.close(); } }
    static String catches(String s) { try { return s.substring(Integer.parseInt(s)); } catch (NumberFormatException e) { return "n"; } catch (IndexOutOfBoundsException e) { return "n"; } }
    static Function<String, String> lambdaTyped() { return (String s) -> { return s + "x"; }; }
    static BiFunction<Integer, Integer, Integer> lambdaTwo() { return (Integer a, Integer b) -> { return a - b; }; }
    static Predicate<String> lambdaNot() { return s -> !(s.isEmpty() == true); }
    static Supplier<Supplier<String>> lambdaNested(String s) { return () -> () -> s.trim(); }
    static Function<Object, String> lambdaText() { return o -> o.toString(); }
    static Supplier<Integer> lambdaUnboxed(Integer i) { return () -> i.intValue(); }
    static Map<String, List<Integer>> diamond(int n) { Map<String, List<Integer>> m = new HashMap<String, List<Integer>>(); m.put("a", new ArrayList<Integer>()); m.get("a").add(n); return m; }
    static Map<String, Integer> diamondOrdered() { return new TreeMap<String, Integer>(Map.of("b", 1, "a", 2)); }
    static String valueOfText(Object o) { return "x" + String.valueOf(o); }
    static String valueOfChars(char[] c) { return "x" + String.valueOf(c); }
    static String valueOfText(String s) { return String.valueOf(s); }
    static int valueOfBox(int n) { return Integer.valueOf(n).hashCode() + Integer.valueOf(n); }
    static Optional<String> optional(String s) { return Optional.ofNullable(s).map(t -> t.trim()).filter(t -> t.length() != 0); }
    static String joined(List<String> l) { return l.stream().map(s -> String.valueOf(s)).collect(Collectors.joining(",")); }
    static long counted(List<String> l) { return l.stream().filter(s -> s != null).map(s -> s.length()).filter(n -> n > 0).count(); }
    static Stream<Integer> streamed(int n) { return Stream.of(n, n + 1).map(i -> i * 2); }
    int field(int n) { int kept = this.kept; this.kept = n; return this.kept + kept; }
    int fieldTwice(int n) { this.kept += n; return (this.kept) * (this.kept); }
    boolean negatedField() { return !(this.kept != 4); }
    static boolean negatedAnd(Boolean a, Boolean b) { return !(!a && !b); }
    static boolean negatedEquals(double a, double b) { return !(a == b); }
    static boolean negatedNan(double a, double b) { return !(a > b) == !(a <= b); }
    static int conditional(Boolean c, int a, int b) { return c == true ? a : c == false ? b : 0; }
    static int assigned(boolean c) { int n; if (c) n = 1; else n = 2; return n; }
    static int shifted(int n) { return ((n) << (2)) >>> ((1)); }
    static char arithmetic(char c) { c += 1; c++; return (char) (c); }
    static String switched(Object o) { String r = "none"; switch (String.valueOf(o)) { case "a": r = "A"; break; case "b": r = "B"; } return r; }
    static int switchedReturn(String s) { switch (s) { case "a": { return 1; } case "bb": { int n = 2; return n; } default: { return 0; } } }
}
