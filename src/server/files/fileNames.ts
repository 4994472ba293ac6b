import * as z from 'zod';
import { BUILD_FILE_NAMES } from '@/core/formats/buildFiles';

export const fileNameSchema = z.enum(BUILD_FILE_NAMES);
