import { Component, ChangeDetectionStrategy } from '@angular/core';
@Component({selector:'oc-x', template:'soon', changeDetection: ChangeDetectionStrategy.OnPush}) export class ShelfPage {}
