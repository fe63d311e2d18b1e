import 'reflect-metadata';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsNumber,
  IsOptional,
  IsString,
  IsUUID,
  Max,
  MaxLength,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { MOST_MARKS, type PhotoMark } from '#core/photo/marks.ts';
import { Version } from './version.ts';

const Fraction = (): PropertyDecorator => (target, key) => {
  IsNumber({ allowNaN: false, allowInfinity: false }, { message: 'not a number' })(target, key);
  Min(0, { message: 'outside the picture' })(target, key);
  Max(1, { message: 'outside the picture' })(target, key);
};

class PhotoMarkDto {
  @IsIn(['arrow', 'ring'], { message: 'arrow or ring' }) shape!: 'arrow' | 'ring';
  @Fraction() x!: number;
  @Fraction() y!: number;
  @ValidateIf((m: PhotoMarkDto) => m.shape === 'arrow') @Fraction() toX?: number;
  @ValidateIf((m: PhotoMarkDto) => m.shape === 'arrow') @Fraction() toY?: number;
  @ValidateIf((m: PhotoMarkDto) => m.shape === 'ring') @Fraction() r?: number;
}

/** What is said of a photograph and drawn on its copy. */
export class PhotoSaveDto {
  @Version() version!: number;
  @IsString() @MaxLength(300, { message: 'at most 300 characters' }) caption!: string;

  @IsArray()
  @ArrayMaxSize(MOST_MARKS, { message: `at most ${MOST_MARKS} marks` })
  @ValidateNested({ each: true })
  @Type(() => PhotoMarkDto)
  marks!: PhotoMarkDto[];

  /** The photograph that shows the same before the work; absent: none. */
  @IsOptional() @IsUUID() before?: string;
}

export interface PhotoView {
  id: string;
  entryId: string;
  /** The file's own name. */
  name: string;
  caption: string;
  /** Of the screen size, in pixels. */
  width: number;
  height: number;
  takenAt: string | null;
  marks: PhotoMark[];
  /** Id of the photograph that shows the same before the work. */
  before: string | null;
  version: number;
  /** Changes when what is shown changes: goes into the address of the file. */
  look: string;
}

/** A photograph among all of its build. */
export interface BuildPhotoView extends PhotoView {
  entryText: string;
  at: string;
  person: string;
}

export interface PhotosView {
  photos: BuildPhotoView[];
}
