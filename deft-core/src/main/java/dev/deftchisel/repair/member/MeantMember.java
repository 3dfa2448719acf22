package dev.deftchisel.repair.member;

import com.sun.source.tree.ArrayAccessTree;
import com.sun.source.tree.MemberReferenceTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Spelling;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.element.VariableElement;
import javax.lang.model.type.ArrayType;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.util.ElementFilter;

/**
 * A member that something does not have, but has under another name, as a field instead of a method, through an
 * accessor, or in a class that helps with its kind.
 */
public final class MeantMember implements Repair {

    private static final int MOST = 4;
    /** How far {@code getX()} is from {@code x()}. */
    private static final int ACCESSOR = 2;
    /** Names that mean the same in one type or language and the other. */
    private static final List<Set<String>> SYNONYMS = List.of(Set.of("length", "size", "count"),
            Set.of("add", "append", "push", "addLast", "put", "offer", "insert", "enqueue"),
            Set.of("set", "put", "replace"),
            Set.of("contains", "containsKey", "includes", "has", "containsValue"),
            Set.of("remove", "delete", "removeFirst", "poll", "pop", "removeLast", "dequeue"),
            Set.of("get", "charAt", "at", "elementAt", "getFirst", "peek"),
            Set.of("equals", "equal", "isEqual", "equalTo", "eq"),
            Set.of("toLowerCase", "toLower", "lower", "lowercase"),
            Set.of("toUpperCase", "toUpper", "upper", "uppercase"),
            Set.of("trim", "strip"), Set.of("isEmpty", "empty", "isBlank"),
            Set.of("println", "print", "printf", "write", "log"),
            Set.of("indexOf", "find", "search"), Set.of("substring", "slice", "substr", "mid", "subList"),
            Set.of("pow", "power"),
            Set.of("forEach", "each"), Set.of("filter", "where", "select"),
            Set.of("map", "select", "transform", "mapToObj"),
            Set.of("clear", "removeAll", "reset"), Set.of("join", "joining", "concat"),
            Set.of("entrySet", "entries", "items"),
            Set.of("keySet", "keys", "getKeys"), Set.of("values", "getValues"),
            Set.of("startsWith", "beginsWith", "hasPrefix"),
            Set.of("endsWith", "hasSuffix"), Set.of("toString", "str", "string"),
            Set.of("getMessage", "message", "what"),
            Set.of("name", "getName"), Set.of("getOrDefault", "getOrElse", "getDefault"),
            Set.of("nextInt", "nextInteger", "readInt"),
            Set.of("nextLine", "readLine"), Set.of("parseInt", "parse", "toInt", "valueOf"),
            Set.of("anyMatch", "any", "some"), Set.of("allMatch", "all", "every"), Set.of("reverse", "reversed"),
            Set.of("sort", "sorted"), Set.of("limit", "take"), Set.of("skip", "drop"));

    @Override
    public Set<String> codes() {
        return Set.of("cant.resolve", "cant.resolve.args", "cant.resolve.location", "cant.resolve.location.args",
                "cant.deref",
                "invalid.mref", "cant.resolve.location.args.params");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<MissingMember> missing = site.around().stream()
                .filter(path -> path.getLeaf() instanceof MemberSelectTree
                        || path.getLeaf() instanceof MemberReferenceTree)
                .findFirst().filter(path -> isAt(path, site)).flatMap(path -> MissingMember.of(path, code));
        if (missing.isEmpty()) {
            return List.of();
        }
        MissingMember one = missing.get();
        List<Fix> fixes = new ArrayList<>();
        if (one.call().isEmpty() && one.path().getLeaf() instanceof MemberSelectTree
                && one.path().getParentPath().getLeaf() instanceof MethodInvocationTree && one.hasMethod()) {
            int dot = one.range().start() - 1;
            fixes.add(Fix.of("write '::" + one.name() + "'", edits -> edits.replace(new Range(dot, dot + 1), "::")));
        }
        if (one.path().getParentPath().getLeaf() instanceof ArrayAccessTree access
                && access.getExpression() == one.path().getLeaf() && one.hasMethod()) {
            fixes.add(Fix.of("call '" + one.name() + "'",
                    edits -> edits.replace(new Range(one.range().end(), code.range(access).end()),
                    to -> to.write("(").carry(code.range(access.getIndex())).write(")"))));
        }
        fixes.addAll(ofNested(one));
        count(one).ifPresent(fixes::add);
        inner(one).ifPresent(fixes::add);
        ofOuter(one).ifPresent(fixes::add);
        ContainerMember.ofEnd(one).ifPresent(fixes::add);
        fixes.addAll(ofType(one, site));
        if (one.type() instanceof ArrayType) {
            ContainerMember.array(one).ifPresent(fixes::add);
        }
        fixes.addAll(helpers(one));
        fixes.addAll(ContainerMember.within(one, site));
        return fixes;
    }

    /** {@code Harbour.lines}: a static member of a class within the one that is named. */
    private static List<Fix> ofNested(MissingMember missing) {
        AttributedFile code = missing.code();
        boolean isOfType = code.element(missing.object()).filter(element -> element instanceof TypeElement).isPresent();
        return !isOfType || !(missing.type() instanceof DeclaredType type) ? List.of()
                : ElementFilter.typesIn(type.asElement().getEnclosedElements()).stream()
                .filter(nested -> nested.getEnclosedElements().stream()
                        .anyMatch(member -> member.getSimpleName().contentEquals(missing.name())
                        && (member.getModifiers().contains(Modifier.STATIC) || member instanceof TypeElement)))
                .map(nested -> Fix.of("write '" + nested.getSimpleName() + "." + missing.name() + "'",
                        edits -> edits.insert(missing.range().start(), nested.getSimpleName() + "."))).toList();
    }

    /** {@code Flag.length}: how many constants there are (JLS 8.9.3). */
    private static Optional<Fix> count(MissingMember missing) {
        boolean isEnum = missing.code().element(missing.object())
                .filter(element -> element.getKind() == ElementKind.ENUM).isPresent();
        return isEnum && Set.of("length", "size", "count").contains(missing.name()) && missing.arguments() == 0
                ? Optional.of(Fix.of("count its constants", edits -> edits.replace(missing.whole(), "values().length")))
                : Optional.empty();
    }

    /** {@code harbour.Pier()}: an inner class is made of an object by {@code new} after it (JLS 15.9). */
    private static Optional<Fix> inner(MissingMember missing) {
        boolean isInner = missing.call().isPresent() && missing.type() instanceof DeclaredType type
                && ElementFilter.typesIn(type.asElement().getEnclosedElements())
                .stream().anyMatch(nested -> nested.getSimpleName().contentEquals(missing.name())
                        && !nested.getModifiers().contains(Modifier.STATIC));
        return isInner ? Optional.of(Fix.of("write 'new'", edits -> edits.insert(missing.range().start(), "new ")))
                : Optional.empty();
    }

    /** {@code this.name()} in an inner class, of a member of the class around it (JLS 15.8.4). */
    private static Optional<Fix> ofOuter(MissingMember missing) {
        AttributedFile code = missing.code();
        Tree object = missing.object().getLeaf();
        Optional<TypeElement> own = code.enclosingType(missing.path());
        if (!code.text(object).equals("this") || own.isEmpty()) {
            return Optional.empty();
        }
        for (Element around = own.get().getEnclosingElement(); around != null; around = around.getEnclosingElement()) {
            boolean isThere = around instanceof TypeElement type && code.elements().getAllMembers(type).stream()
                    .anyMatch(member ->
                    member.getSimpleName().contentEquals(missing.name())
                            && member instanceof ExecutableElement == missing.call().isPresent());
            if (isThere) {
                String name = around.getSimpleName().toString();
                return Optional.of(Fix.of("write '" + name + ".this'",
                        edits -> edits.insert(code.range(object).start(), name + ".")));
            }
        }
        return Optional.empty();
    }

    /** Whether the error is about the name after the dot, and not about something within. */
    private static boolean isAt(TreePath path, ErrorSite site) {
        return !(path.getLeaf() instanceof MemberSelectTree select)
                || site.error().range().start() >= site.code().range(select.getExpression()).end();
    }

    /** Members of the type itself, the likeliest first. */
    private static List<Fix> ofType(MissingMember missing, ErrorSite site) {
        AttributedFile code = missing.code();
        boolean isReference = missing.path().getLeaf() instanceof MemberReferenceTree;
        List<MissingMember> others = ofRank(missing, ACCESSOR).isPresent() ? others(missing, site) : List.of();
        List<? extends Element> members = missing.type() instanceof DeclaredType declared
                ? code.elements().getAllMembers((TypeElement) declared.asElement()) : List.of();
        record Ranked(Element member, int rank) { }
        return members.stream()
                .filter(member -> member instanceof VariableElement || member.getKind() == ElementKind.METHOD)
                .filter(member -> !(member instanceof ExecutableElement method) || isReference
                        || CallCandidates.takes(method, missing.arguments()))
                .map(member -> new Ranked(member, rank(missing.name(), member, missing)))
                .filter(one -> one.rank() < Integer.MAX_VALUE)
                .sorted(Comparator.comparing(Ranked::rank)
                        .thenComparing(one -> one.member().getSimpleName().toString()))
                .map(one -> written(missing, one.member(), isReference))
                .distinct().limit(MOST)
                .map(text -> Fix.of("write '" + text.title() + "'", edits -> {
                    edits.replace(missing.whole(), text.code());
                    others.forEach(other -> ofRank(other, ACCESSOR)
                            .ifPresent(also -> edits.replace(other.whole(), also.code())));
                }))
                .toList();
    }

    /** What is written for a member at just this distance of its name. */
    private static Optional<Text> ofRank(MissingMember missing, int rank) {
        return missing.type() instanceof DeclaredType declared
                ? missing.code().elements().getAllMembers((TypeElement) declared.asElement()).stream()
                .filter(member -> member instanceof ExecutableElement method
                        && CallCandidates.takes(method, missing.arguments())
                        && rank(missing.name(), member, missing) == rank)
                .map(member -> written(missing, member, false)).findFirst() : Optional.empty();
    }

    /** Other places of the file where an accessor of the same type is called in the same wrong way. */
    private static List<MissingMember> others(MissingMember missing, ErrorSite site) {
        return site.analysis().errors(site.code().file().path()).stream()
                .filter(error -> error.code().endsWith("cant.resolve.location.args") && error.range()
                        .start() != site.error().range().start())
                .map(site::at)
                .flatMap(other -> other.around().stream().filter(path -> path.getLeaf() instanceof MemberSelectTree)
                        .findFirst()
                        .flatMap(path -> MissingMember.of(path, site.code())).stream())
                .filter(other -> site.code().types().isSameType(other.type(), missing.type()) && !other.range()
                        .equals(missing.range()))
                .toList();
    }

    private record Text(String title, String code) {
    }

    private static Text written(MissingMember missing, Element member, boolean isReference) {
        String name = member.getSimpleName().toString();
        if (isReference || !(member instanceof ExecutableElement)) {
            return new Text(name, isReference || missing.arguments() == 0 ? name : name + " = " + missing.written());
        }
        return new Text(missing.call().isPresent() ? name : name + "()", name + "(" + missing.written() + ")");
    }

    /** How far a name is from that of a member; the greatest number for none at all. */
    private static int rank(String name, Element member, MissingMember missing) {
        String other = member.getSimpleName().toString();
        String bare = name.replaceFirst("^(get|is|set|has)(?=[A-Z])", "").toLowerCase(Locale.ROOT);
        String otherBare = other.replaceFirst("^(get|is|set|has)(?=[A-Z])", "").toLowerCase(Locale.ROOT);
        boolean isSetter = name.startsWith("set") != other.startsWith("set");
        if (other.equals(name)) {
            boolean isOther = member instanceof ExecutableElement != missing.call().isPresent();
            return isOther ? 0 : Integer.MAX_VALUE;
        } else if (other.equalsIgnoreCase(name)) {
            return 1;
        } else if (bare.equals(otherBare) && !(isSetter && missing.arguments() == 0)) {
            return member instanceof ExecutableElement ? ACCESSOR : ACCESSOR + 1;
        }
        int slips = Spelling.slips(name, other);
        boolean isNear = slips <= Math.max(1, name.length() / 4) && other.length() > 1;
        // a letter left out is more usual than one that is wrong, and that more than a shorter name
        boolean isLeftOut = isNear && other.length() > name.length();
        if (isLeftOut) {
            return 3 + slips;
        } else if (name.equals("put") && other.equals("set") && missing.arguments() == 2) {
            return 7;
        } else if (SYNONYMS.stream().anyMatch(all -> all.contains(name) && all.contains(other))
                || MethodVerbs.areAlike(name, other)) {
            return 8;
        } else if (isNear) {
            return 4 + slips;
        }
        boolean begins = name.length() > 2 && other.startsWith(name) || other.length() > 2 && name.startsWith(other);
        return begins ? 12 + Math.abs(other.length() - name.length()) : Integer.MAX_VALUE;
    }

    /**
     * A static method of a class that helps with the kind of the object: {@code Arrays.stream(names)},
     * {@code Character.isLetter(c)}.
     */
    private static List<Fix> helpers(MissingMember missing) {
        AttributedFile code = missing.code();
        if (missing.call().isEmpty() || code.element(missing.object()).filter(element -> element instanceof TypeElement)
                .isPresent()) {
            return List.of();
        }
        List<String> names;
        if (missing.type() instanceof ArrayType) {
            names = List.of("java.util.Arrays");
        } else if (missing.type().getKind().isPrimitive()) {
            names = List.of(String.valueOf(code.boxed(missing.type())), "java.lang.Math", "java.lang.String");
        } else {
            names = List.of("java.util.Collections", "java.lang.String", "java.util.Objects", "java.lang.Character");
        }
        List<Fix> fixes = new ArrayList<>();
        String object = code.text(missing.object().getLeaf());
        if (missing.type().getKind().isPrimitive() && Set.of("equals", "compareTo").contains(missing.name())
                && missing.arguments() == 1) {
            Range all = code.range(missing.call().get());
            String box = String.valueOf(code.boxed(missing.type())).replaceFirst(".*\\.", "");
            fixes.add(missing.name().equals("equals")
                    ? Fix.of("compare with '=='", edits -> edits.replace(all, object + " == " + missing.written()))
                    : Fix.of("use '" + box + ".compare'", edits -> edits.replace(all, box + ".compare(" + object + ", "
                            + missing.written() + ")")));
        }
        if (NamedTypes.is(missing.type(), "java.lang.String") && code.elements()
                .getAllMembers(code.elements().getTypeElement("java.lang.StringBuilder")).stream()
                .anyMatch(member -> member instanceof ExecutableElement method && method.getSimpleName()
                        .contentEquals(missing.name())
                        && CallCandidates.takes(method, missing.arguments())
                        && NamedTypes.is(method.getReturnType(), "java.lang.StringBuilder"))) {
            fixes.add(Fix.of("do it in a StringBuilder",
                    edits -> edits.replace(code.range(missing.call().get()), "new StringBuilder(" + object + ")."
                    + missing.name() + "(" + missing.written() + ").toString()")));
        }
        for (String name : names) {
            TypeElement helper = code.elements().getTypeElement(name);
            if (helper == null) {
                continue;
            }
            for (Element member : helper.getEnclosedElements()) {
                if (member instanceof ExecutableElement method && method.getModifiers().contains(Modifier.STATIC)
                        && method.getModifiers().contains(Modifier.PUBLIC) && method.getSimpleName()
                        .contentEquals(missing.name())
                        && CallCandidates.takes(method, missing.arguments() + 1)) {
                    fixes.add(Fix.of("use '" + helper.getSimpleName() + "." + missing.name() + "'",
                            edits -> edits.replace(code.range(missing.call().get()), edits.types()
                                    .name(helper) + "." + missing.name() + "("
                                    + object + (missing.arguments() > 0 ? ", " + missing.written() : "") + ")")));
                    fixes.add(Fix.of("use '" + helper.getSimpleName() + "." + missing.name() + "' with it last",
                            edits -> edits.replace(code.range(missing.call().get()), edits.types()
                                    .name(helper) + "." + missing.name() + "("
                                    + (missing.arguments() > 0 ? missing.written() + ", " : "") + object + ")")));
                }
            }
        }
        return fixes.stream().limit(MOST + 2).toList();
    }
}
