-- Documents are written whole with every save: packing 170 kB costs more time than writing them, and packed
-- again by the engine's own means they were half as fast to read (measured).
ALTER TABLE "productions" ALTER COLUMN "document" SET STORAGE EXTERNAL;
