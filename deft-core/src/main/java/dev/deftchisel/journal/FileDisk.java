package dev.deftchisel.journal;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.DirectoryNotEmptyException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The real file system. */
final class FileDisk implements Disk {

    @Override
    public Optional<byte[]> read(Path file) throws IOException {
        try {
            return Optional.of(Files.readAllBytes(file));
        } catch (NoSuchFileException absent) {
            return Optional.empty();
        }
    }

    @Override
    public void write(Path file, byte[] bytes) throws IOException {
        Files.createDirectories(file.getParent());
        try (FileChannel channel = FileChannel.open(file,
                StandardOpenOption.CREATE, StandardOpenOption.TRUNCATE_EXISTING, StandardOpenOption.WRITE)) {
            ByteBuffer buffer = ByteBuffer.wrap(bytes);
            while (buffer.hasRemaining()) {
                channel.write(buffer);
            }
            channel.force(true);
        }
    }

    @Override
    public void copyMode(Path from, Path to) throws IOException {
        PosixFileAttributeView source = Files.getFileAttributeView(from, PosixFileAttributeView.class);
        PosixFileAttributeView target = Files.getFileAttributeView(to, PosixFileAttributeView.class);
        if (source != null && target != null) {
            target.setPermissions(source.readAttributes().permissions());
        }
    }

    @Override
    public void replace(Path from, Path to) throws IOException {
        Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }

    @Override
    public void delete(Path file) throws IOException {
        Files.deleteIfExists(file);
    }

    @Override
    public void deleteAll(Path folder) throws IOException {
        if (!Files.exists(folder)) {
            return;
        }
        Files.walkFileTree(folder, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
                Files.delete(file);
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult postVisitDirectory(Path directory, IOException failed) throws IOException {
                Files.delete(directory);
                return FileVisitResult.CONTINUE;
            }
        });
    }

    @Override
    public void deleteEmpty(Path folder, Path limit) throws IOException {
        for (Path at = folder; at != null && at.startsWith(limit) && !at.equals(limit); at = at.getParent()) {
            try {
                Files.deleteIfExists(at);
            } catch (DirectoryNotEmptyException used) {
                return;
            }
        }
    }

    @Override
    public List<Path> list(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> entries = Files.list(folder)) {
            return entries.sorted().toList();
        }
    }

    @Override
    public void force(Path folder) throws IOException {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        } catch (IOException unsupported) {
            // some systems cannot open folders; their renames are ordered by other means
            if (!Files.isDirectory(folder)) {
                throw unsupported;
            }
        }
    }
}
