package harbour;

import java.util.List;
import java.util.function.Supplier;

/** Conditions in all forms, over boxes, numbers that are none, and calls that are counted. */
public class Conditions {
    static Boolean choiceOfBox(Boolean c) { return c ? true : false; }
    static boolean choiceOfPrimitive(boolean c) { return c ? true : false; }
    static boolean choiceTurned(boolean c) { return c ? false : true; }
    static Boolean choiceTurnedBox(Boolean c) { return c ? false : true; }
    static Object choiceAsObject(Boolean c) { return c ? true : false; }
    static boolean choiceOfBoxToPrimitive(Boolean c) { return c ? true : false; }
    static boolean choiceOfNumbers(double a, double b) { return a < b ? true : false; }
    static boolean choiceOfNumbersTurned(double a, double b) { return a < b ? false : true; }
    static boolean choiceOfFloats(float a, float b) { return a >= b ? false : true; }
    static boolean choiceOfInts(int a, int b) { return a >= b ? false : true; }
    static boolean choiceOfNull(Object o) { return o == null ? true : false; }
    static boolean choiceOfCall(Supplier<Boolean> s) { return s.get() ? true : false; }
    static Boolean choiceOfCallBox(Supplier<Boolean> s) { return s.get() ? true : false; }
    static String choiceInText(Boolean c) { return "" + (c ? true : false); }
    static boolean choiceNested(boolean a, boolean b) { return (a ? true : false) && (b ? false : true); }
    static boolean choiceOfEquals(String s) { return "a".equals(s) ? true : false; }
    static boolean choiceOfNot(boolean c) { return !c ? true : false; }
    static boolean choiceOfAnd(int a, int b) { return a > 0 && b > 0 ? false : true; }
    static boolean choiceOfOr(double a, double b) { return a > 0 || b > 0 ? false : true; }
    static boolean comparedTrue(boolean c) { return c == true; }
    static boolean comparedFalse(boolean c) { return c == false; }
    static boolean comparedNotTrue(boolean c) { return c != true; }
    static boolean comparedNotFalse(boolean c) { return c != false; }
    static boolean comparedBox(Boolean c) { return c == true; }
    static boolean comparedBoxFalse(Boolean c) { return c == false; }
    static boolean comparedBoxNot(Boolean c) { return c != true; }
    static boolean comparedBoxConstant(Boolean c) { return c == Boolean.TRUE; }
    static Boolean comparedBoxToBox(Boolean c) { return c == true; }
    static boolean comparedTurned(Boolean c) { return true == c; }
    static boolean comparedCall(Supplier<Boolean> s) { return s.get() == true; }
    static boolean comparedExpression(int a, int b) { return (a < b) == false; }
    static boolean comparedDouble(double a, double b) { return (a < b) == false; }
    static boolean comparedNested(boolean a, boolean b) { return (a == true) != (b == false); }
    static int comparedInIf(Boolean c) { if (c == true) return 1; return 0; }
    static int comparedInWhile(boolean c) { int n = 0; while (c == true && n < 3) n++; return n; }
    static boolean returnIf(int a) { if (a > 3) { return true; } else { return false; } }
    static boolean returnIfTurned(int a) { if (a > 3) { return false; } else { return true; } }
    static boolean returnIfAfter(int a) { if (a > 3) { return true; } return false; }
    static boolean returnIfDouble(double a) { if (a > 3) { return false; } return true; }
    static boolean returnIfDoubleTrue(double a) { if (a > 3) { return true; } return false; }
    static boolean returnIfBox(Boolean c) { if (c) { return true; } return false; }
    static Boolean returnIfBoxBox(Boolean c) { if (c) { return true; } return false; }
    static Object returnIfObject(Boolean c) { if (c) return true; else return false; }
    static boolean returnIfTwo(double x, double a, double b) { if (x < a || x > b) { return false; } return true; }
    static boolean returnIfNull(Object o) { if (o == null) return false; return true; }
    static boolean returnIfCall(Supplier<Boolean> s) { if (s.get()) return false; return true; }
    static boolean returnIfEquals(Object a, Object b) { if (a.equals(b)) { return false; } return true; }
    static boolean returnIfInstance(Object o) { if (o instanceof String) { return false; } return true; }
    static boolean returnIfLong(long a, long b) { if (a <= b) { return false; } return true; }
    static boolean returnIfInteger(Integer a, Integer b) { if (a == b) { return false; } return true; }
    static boolean returnIfIntegerLess(Integer a, Integer b) { if (a < b) { return false; } return true; }
    static boolean negatedTwice(boolean a) { return !!a; }
    static boolean negatedLess(int a, int b) { return !(a < b); }
    static boolean negatedLessDouble(double a, double b) { return !(a < b); }
    static boolean negatedGreaterFloat(float a, float b) { return !(a >= b); }
    static boolean negatedLessBox(Double a, Double b) { return !(a < b); }
    static boolean negatedLessInteger(Integer a, Integer b) { return !(a < b); }
    static boolean negatedEqual(double a, double b) { return !(a == b); }
    static boolean negatedNotEqual(double a, double b) { return !(a != b); }
    static boolean negatedEqualBox(Integer a, Integer b) { return !(a == b); }
    static boolean negatedAnd(boolean a, boolean b) { return !(!a && !b); }
    static boolean negatedOr(boolean a, boolean b) { return !(!a || b); }
    static int negatedIf(boolean a) { if (!a) { return 1; } else { return 2; } }
    static int negatedIfEqual(Object a, Object b) { if (!(a == b)) { return 1; } else { return 2; } }
    static int negatedChoice(boolean a, int x) { return !a ? x : -x; }
    static int negatedChoiceDouble(double a, int x) { return !(a > 1) ? x : -x; }
    static boolean nullThenType(Object o) { return o != null && o instanceof String; }
    static boolean nullThenTypeTurned(Object o) { return o instanceof String && o != null; }
    static boolean nullOrNotType(Object o) { return o == null || !(o instanceof String); }
    static boolean nullThenTypeOther(Object o, Object p) { return o != null && p instanceof String; }
    static boolean nullThenTypeCall(Supplier<Object> s) { return s.get() != null && s.get() instanceof String; }
    static int nullThenTypeIf(Object o) { if (o != null && o instanceof Integer && (Integer) o > 3) return 1; return 0; }
    static boolean typeAlways(String s) { return s instanceof String; }
    static boolean typeAlwaysComparable(String s) { return s instanceof Comparable; }
    static boolean typeAlwaysBox(Integer i) { return i instanceof Number; }
    static boolean typeAlwaysCall(Supplier<String> s) { return s.get() instanceof String; }
    static boolean typeAlwaysNew() { return new StringBuilder() instanceof CharSequence; }
    static int sameBranches(boolean c, int a) { if (c) { return a + 1; } else { return a + 1; } }
    static int sameBranchesCall(Supplier<Boolean> c, int a) { if (c.get()) { return a; } else { return a; } }
    static int sameBranchesBox(Boolean c, int a) { return c ? a : a; }
    static int sameChoice(boolean c, int a) { return c ? a : a; }
    static String repeated(int a) { if (a > 3) return "x"; else if (a > 3) return "y"; return "z"; }
    static String repeatedCall(Supplier<Integer> a) { if (a.get() > 3) return "x"; else if (a.get() > 3) return "y"; return "z"; }
    static boolean repeatedAnd(boolean a, boolean b) { return a && b && a; }
    static boolean repeatedOr(boolean a, boolean b) { return a || b || a; }
    static boolean sameOperands(int a) { return a == a; }
    static boolean sameOperandsDouble(double a) { return a == a; }
    static boolean sameOperandsDoubleNot(double a) { return a != a; }
    static boolean sameOperandsBox(Double a) { return a == a; }
    static int sameOperandsMinus(int a) { return a - a; }
    static double sameOperandsMinusDouble(double a) { return a - a; }
    static int sameOperandsDivide(int a) { return a / a; }
    static boolean sameOperandsAnd(boolean a) { return a && a; }
    static int constantIf(int a) { if (1 > 2) { return a; } return -a; }
    static int constantTrue(int a) { if (true || a > 3) { return a; } return -a; }
    static boolean constantAnd(boolean a, Supplier<Boolean> s) { return false && s.get() || a; }
    static boolean constantSide(Supplier<Boolean> s) { return s.get() && false; }
    static int constantMask(int a) { if ((a & 1) == 2) return 1; return 0; }
    static int redundantElse(int a) { if (a > 3) { return 1; } else { a++; return a; } }
    static int redundantElseScope(int a) { if (a > 3) { return 1; } else { int b = a; a = b + 1; } int b = a; return b; }
    static int assignedTwice(int a) { int b = a; b = 3; return b; }
    static int assignedTwiceCall(Supplier<Integer> s) { int b = s.get(); b = 3; return b; }
    static int assignedTwiceUnboxed(Integer a) { int b = a; b = 3; return b; }
    static int assignedTwiceIndex(int[] a) { int b = a[0]; b = 3; return b; }
    static int assignedTwiceDivide(int a) { int b = 1 / a; b = 3; return b; }
    static int unusedUnboxed(Integer a) { int b = a; return 1; }
    static int unusedIndex(int[] a) { int b = a[1]; return 1; }
    static int unusedCall(Supplier<Integer> s) { Integer b = s.get(); return 1; }
    static int unusedNew(int n) { int[] b = new int[n]; return n; }
    static int unusedCast(Object o) { String s = (String) o; return 1; }
    static int unusedLength(String s) { int n = s.length(); return 1; }
    static int unusedChoice(Boolean c) { int n = c ? 1 : 2; return 1; }
    static int unusedIncrement(int a) { int b = a++; return a; }
    static int unusedConcat(Object o) { String s = "x" + o; return 1; }
    static int unusedPattern(Object o) { if (o instanceof String s) { return 1; } return 0; }
    static int unusedPatternAnd(Object o) { if (o instanceof String s && s.length() > 1 || o instanceof Integer i) { return 1; } return 0; }
}
