package harbour;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.IntFunction;
import java.util.function.Predicate;
import java.util.function.Supplier;

/** Values that are copied, boxed, cast, put together, looked for and gone over. */
public class Values {
    static String valueOfText(String s) { return String.valueOf(s); }
    static String valueOfObject(Object o) { return "" + String.valueOf(o); }
    static String valueOfChars(char[] c) { return "" + String.valueOf(c); }
    static String valueOfInt(int i) { return "x" + String.valueOf(i); }
    static String valueOfFirst(int i) { return String.valueOf(i) + "x"; }
    static String valueOfBoth(int i, int j) { return String.valueOf(i) + j + "x"; }
    static String valueOfChar(char c, int i) { return String.valueOf(c) + i; }
    static int valueOfInteger(int i) { return Integer.valueOf(i); }
    static Integer valueOfBox(Integer i) { return Integer.valueOf(i); }
    static boolean valueOfSame(Integer i) { return Integer.valueOf(i) == i; }
    static long valueOfLong(int i) { return Long.valueOf(i); }
    static Object valueOfAsObject(int i) { return Integer.valueOf(i); }
    static String toStringOfText(String s) { return s.toString(); }
    static String toStringOfCall(Supplier<String> s) { return s.get().toString(); }
    static String toStringInText(Object o) { return "x" + o.toString(); }
    static String newText(String s) { return new String(s); }
    static String newEmpty() { return new String(); }
    static boolean newSame(String s) { return new String(s) == s; }
    static int castInt(int i) { return (int) i; }
    static double castDouble(int i) { return (double) i; }
    static double castDivide(int i, int j) { return (double) i / j; }
    static double castLate(int i, int j) { return (double) (i / j); }
    static String castText(Object o) { return (String) o; }
    static Object castUp(String s) { return (Object) s; }
    static boolean castCompare(Integer i, Object o) { return (Object) i == o; }
    static boolean castIntEquals(Integer i, Integer j) { return (int) i == j; }
    static char castChar(int i) { return (char) i; }
    static String castInText(char c) { return "" + (int) c; }
    static long castLong(int i, int j) { return (long) i * j; }
    static Number castChoice(boolean c, Integer i, Double d) { return c ? (Number) i : (Number) d; }
    static Object castChoiceObject(boolean c, int i) { return c ? (Object) i : (Object) 2.5; }
    static int castAfterTest(Object o) { if (o instanceof String) { String s = (String) o; return s.length(); } return 0; }
    static int castAfterTestTwice(Object o) { if (o instanceof String) { String s = (String) o; s = s + "x"; return s.length() + ((String) o).length(); } return 0; }
    static int castAfterTestNot(Object o) { if (!(o instanceof String)) return -1; String s = (String) o; return s.length(); }
    static int castAfterTestChanged(Object o) { if (o instanceof String) { o = o + "x"; String s = (String) o; return s.length(); } return 0; }
    static int castAfterTestCall(Supplier<Object> o) { if (o.get() instanceof String) { String s = (String) o.get(); return s.length(); } return 0; }
    static int castAfterTestAnd(Object o, int n) { if (o instanceof String && n > 0) { String s = (String) o; return s.length(); } return 0; }
    static int castAfterTestList(Object o) { if (o instanceof List) { List<?> l = (List<?>) o; return l.size(); } return 0; }
    static int compound(int a, int b) { a = a + b; return a; }
    static int compoundMinus(int a, int b) { a = a - b; return a; }
    static int compoundTurned(int a, int b) { a = b - a; return a; }
    static byte compoundByte(byte a) { a = (byte) (a + 1); return a; }
    static String compoundText(String s, int i) { s = s + i; return s; }
    static String compoundTextTurned(String s, int i) { s = i + s; return s; }
    static int compoundIndex(int[] a, int i) { a[i] = a[i] + 1; return a[i]; }
    static int compoundIndexCall(int[] a, Supplier<Integer> s) { a[s.get()] = a[s.get()] + 1; return a[0]; }
    static Integer compoundBox(Integer a) { a = a + 1; return a; }
    static int compoundThree(int a, int b, int c) { a = a + b + c; return a; }
    static int compoundMinusPlus(int a, int b, int c) { a = a - b + c; return a; }
    static double compoundDouble(double a, int b) { a = a * b + 1; return a; }
    static int compoundIntDouble(int a, double b) { a = (int) (a * b); return a; }
    static String compoundTextThree(String s, int i, int j) { s = s + i + j; return s; }
    static char compoundChar(char c) { c = (char) (c + 1); return c; }
    static int shift(int a, long b) { a = a << b; return a; }
    static boolean isEmptyText(String s) { return s.length() == 0; }
    static boolean isEmptyTextNot(String s) { return s.length() != 0; }
    static boolean isEmptyTextMore(String s) { return s.length() > 0; }
    static boolean isEmptyTextLess(String s) { return s.length() < 1; }
    static boolean isEmptyEquals(String s) { return s.equals(""); }
    static boolean isEmptyEqualsTurned(String s) { return "".equals(s); }
    static boolean isEmptyList(List<String> l) { return l.size() == 0; }
    static boolean isEmptyListMore(List<String> l) { return l.size() > 0; }
    static boolean isEmptyMap(Map<String, Integer> m) { return m.size() == 0; }
    static boolean isEmptyBuilder(StringBuilder b) { return b.length() == 0; }
    static boolean isEmptyTurned(List<String> l) { return 0 == l.size(); }
    static boolean isEmptyOne(List<String> l) { return l.size() >= 1; }
    static boolean foundFirst(List<String> l) { return l.stream().filter(s -> s == null || s.isEmpty()).findFirst().isPresent(); }
    static boolean foundFirstCall(List<String> l) { return l.stream().filter(s -> s.isEmpty()).findFirst().isPresent(); }
    static boolean foundAny(List<String> l) { return l.stream().filter(String::isEmpty).findAny().isPresent(); }
    static boolean foundNull(List<Object> l) { return l.stream().filter(o -> o == null).findFirst().isPresent(); }
    static boolean foundTrue(List<Object> l) { return l.stream().filter(o -> true).findFirst().isPresent(); }
    static boolean foundPredicate(List<String> l, Predicate<String> p) { return l.stream().filter(p).findFirst().isPresent(); }
    static boolean foundNot(List<String> l) { return !l.stream().filter(s -> s.length() > 1).findFirst().isPresent(); }
    static int indexLoop(List<Integer> l) { int n = 0; for (int i = 0; i < l.size(); i++) { n += l.get(i); } return n; }
    static int indexLoopArray(int[] a) { int n = 0; for (int i = 0; i < a.length; i++) { n = n * 3 + a[i]; } return n; }
    static int indexLoopNull(String[] a) { int n = 0; for (int i = 0; i < a.length; i++) { if (a[i] == null) n++; } return n; }
    static String indexLoopText(String[] a) { String t = ""; for (int i = 0; i < a.length; i++) { String s = a[i]; t += s; } return t; }
    static int indexLoopRemoved(List<Integer> l) { int n = 0; for (int i = 0; i < l.size(); i++) { n++; if (l.get(i) == null) l.remove(i); } return n; }
    static int indexLoopGrowing(List<Integer> l) { int n = 0; for (int i = 0; i < l.size() && i < 9; i++) { n++; l.add(i); } return n; }
    static int indexLoopReplaced(int[] a) { int n = 0; for (int i = 0; i < a.length; i++) { n += a[i]; a = new int[] {1}; } return n; }
    static int indexLoopWritten(int[] a) { int n = 0; for (int i = 0; i < a.length; i++) { a[i] = a[i] + 1; n += a[i]; } return n; }
    static int indexLoopTwice(int[] a) { int n = 0; for (int i = 0; i < a.length; i++) { n += a[i] * i; } return n; }
    static int indexLoopFrom(int[] a) { int n = 0; for (int i = 1; i < a.length; i++) { n += a[i]; } return n; }
    static int indexLoopOther(int[] a, int[] b) { int n = 0; for (int i = 0; i < a.length; i++) { n += b[i]; } return n; }
    static List<Supplier<Integer>> indexLoopLambda(int[] a) { List<Supplier<Integer>> l = new ArrayList<>(); for (int i = 0; i < a.length; i++) { int v = a[i]; l.add(() -> v); } return l; }
    static int indexLoopBoxed(Integer[] a) { int n = 0; for (int i = 0; i < a.length; i++) { int v = a[i]; n += v; } return n; }
    static String sameCatches(Object o) { try { return ((String) o).substring(2); } catch (ClassCastException e) { return "x"; } catch (NullPointerException e) { return "x"; } }
    static String sameCatchesOrder(Object o) { try { return ((String) o).substring(2); } catch (StringIndexOutOfBoundsException e) { return "x"; } catch (IndexOutOfBoundsException e) { return "x"; } }
    static String sameCatchesMessage(Object o) { try { return ((String) o).substring(2); } catch (ClassCastException e) { return e.getClass().getName(); } catch (NullPointerException e) { return e.getClass().getName(); } }
    static Supplier<String> anonymous(String s) { return new Supplier<String>() { public String get() { return s + "x"; } }; }
    static Supplier<Object> anonymousThis() { return new Supplier<Object>() { public Object get() { return this.getClass().isAnonymousClass(); } }; }
    static Function<String, Integer> anonymousFunction() { return new Function<String, Integer>() { @Override public Integer apply(String s) { return s.length(); } }; }
    static Supplier<Integer> anonymousState() { return new Supplier<Integer>() { int n; public Integer get() { return n++; } }; }
    static Supplier<String> anonymousToString() { return new Supplier<String>() { public String get() { return toString().substring(0, 3); } }; }
    static Runnable anonymousShadow(int n) { return new Runnable() { public void run() { int m = n; System.out.println(m); } }; }
    static Function<String, Integer> forwarding() { return s -> s.length(); }
    static Function<String, String> forwardingBound(String p) { return s -> p.concat(s); }
    static Function<String, String> forwardingNull(String p) { return s -> p.concat(s); }
    static Supplier<String> forwardingCall(Supplier<String> s) { return () -> s.get(); }
    static Supplier<Integer> forwardingEach(Supplier<Supplier<Integer>> s) { return () -> s.get().get(); }
    static Function<Integer, int[]> forwardingArray() { return n -> new int[n]; }
    static Function<String, StringBuilder> forwardingNew() { return s -> new StringBuilder(s); }
    static Function<Object, String> forwardingStatic() { return o -> String.valueOf(o); }
    static Function<Integer, String> forwardingOverload() { return i -> String.valueOf(i); }
    static Function<int[], Integer> forwardingField() { return a -> a.length; }
    static Predicate<Object> forwardingType() { return o -> o instanceof String; }
    static Function<Object, String> forwardingCast() { return o -> (String) o; }
    static Supplier<Integer> block(int n) { return () -> { return n * 2; }; }
    static Runnable blockVoid(int n) { return () -> { System.out.println(n); }; }
    static IntFunction<Integer> typed() { return (int i) -> i + 1; }
    static String charset(byte[] b) throws Exception { return new String(b, "UTF-8"); }
    static byte[] charsetBytes(String s) throws Exception { return s.getBytes("UTF-8"); }
    static String choiceOfResults(int n) { switch (n) { case 1: return "one"; case 2: case 3: return "some"; default: return "many"; } }
    static int choiceAssigned(int n) { int r; switch (n) { case 1: r = 10; break; case 2: r = 20; break; default: r = -1; } return r; }
    static String choiceText(String s) { switch (s) { case "a": return "A"; default: return "?"; } }
    static int choiceFalls(int n) { int r = 0; switch (n) { case 1: r += 1; case 2: r += 2; break; default: r = 9; } return r; }
    static int choiceThrows(int n) { switch (n) { case 1: return 1; default: throw new IllegalArgumentException("n"); } }
    static int choiceChar(char c) { switch (c) { case 'a': return 1; case 'b': return 2; default: return 0; } }
    static long choiceWide(int n) { switch (n) { case 1: return 1; case 2: return 2L; default: return 'c'; } }
    static Object choiceMixed(int n) { switch (n) { case 1: return 1; case 2: return 2.5; default: return 'c'; } }
    static Number choiceMixedNumber(int n) { switch (n) { case 1: return 1; case 2: return 2.5; default: return 3L; } }
    static int jump(int n) { for (int i = 0; i < 5; i++) { if (i == n) { continue; } n += i; continue; } return n; }
    static void result(int n) { if (n > 0) { System.out.println(n); return; } System.out.println("none"); return; }
    static int label(int n) { outer: for (int i = 0; i < 3; i++) { n += i; } return n; }
    static int once(int n) { while (n > 0) { n--; break; } return n; }
    static int parentheses(int a, int b) { return (a + (b * 2)) - (a - (b - 1)); }
    static String parenthesesText(int a, int b) { return "x" + (a + b) + ((a) * b); }
    static double parenthesesDouble(double a, double b, double c) { return (a * (b * c)) + ((a + b) + c); }
    static double parenthesesRight(double a, double b, double c) { return a + (b + c); }
    static int parenthesesShift(int a) { return (a << 1) + (a >> (1 + 1)); }
    static boolean parenthesesLogic(boolean a, boolean b, boolean c) { return (a && b) || (b && (c || a)); }
    static long smallLong(int n) { return n * 1000l; }
    static Object[] varargs(Object a) { return List.of(a == null ? "n" : a).toArray(new Object[] {}); }
    static String format(int n) { return String.format("%d", new Object[] {n}); }
    static String formatNull() { return String.format("%s", new Object[] {null}); }
    static String formatWrong(String s) { return String.format("%d", s); }
    static int staticByInstance(Integer i) { return i.MAX_VALUE; }
    static int finallyReturn(int n) { try { return n / 0; } catch (ArithmeticException e) { return -1; } finally { System.out.println("f"); } }
    static String textJoined(int n) { return "a" + "b" + n + "c" + "d"; }
    static int arrayAtName(int n[]) { return n.length; }
    static int thread(int n) { int r = 0; do { r += n; n--; continue; } while (n > 0 && r < 100); return r; }
}
